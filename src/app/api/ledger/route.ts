import { LedgerDraft } from '@/core/shop/ledger'
import { requireUser } from '@/server/accounts/session'
import { database } from '@/server/db/pool'
import { handle, parseInput, readJson } from '@/server/http'
import { bookByHand } from '@/server/ledger/ledger'

/** Books what was bought, or a correction with its reason. */
export const POST = handle(async (request) => {
  const user = await requireUser()
  const draft = parseInput(LedgerDraft, await readJson(request))
  await bookByHand(database(), user, draft)
  return Response.json({ ok: true })
})
