import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { requireRight } from '@/server/accounts/roles'
import { forUser } from '@/server/accounts/session'
import { FormerPart, importFormer, withdrawImport } from '@/server/book/import-former'
import { handle, parseInput, readJson } from '@/server/http'

const Withdrawn = z.strictObject({ withdraw: Id })

/** Brings in a part of a file of a former life, or takes a whole file out again. */
export const POST = handle(async (request) => {
  const scope = await forUser()
  requireRight(scope.user, 'correct-book')
  const body = await readJson(request)
  // told apart before it is parsed, so that a fault names its own place
  if (typeof body === 'object' && body !== null && 'withdraw' in body) {
    const { withdraw } = parseInput(Withdrawn, body)
    await withdrawImport(scope, withdraw)
    return Response.json({ ok: true })
  }
  return Response.json(await importFormer(scope, parseInput(FormerPart, body)), { status: 201 })
})
