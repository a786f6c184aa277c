import { LedgerDraft } from '@/core/shop/ledger'
import { forUser } from '@/server/accounts/session'
import { handle, parseInput, readJson } from '@/server/http'
import { bookByHand } from '@/server/ledger/by-hand'

/** Books by hand: bought, weighed against the book, handed in, used again, lost, or a correction with its reason. */
export const POST = handle(async (request) => {
  const scope = await forUser()
  const draft = parseInput(LedgerDraft, await readJson(request))
  await bookByHand(scope, scope.user, draft)
  return Response.json({ ok: true })
})
