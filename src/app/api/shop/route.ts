import { z } from 'zod'
import { Id } from '@/core/entry/id'
import { text, verbatim } from '@/core/entry/text'
import { Procedure } from '@/core/job/events'
import { changeAccount, insertAccount } from '@/server/accounts/accounts'
import { ROLES, requireRight } from '@/server/accounts/roles'
import { requireUser } from '@/server/accounts/session'
import { database, transaction } from '@/server/db/pool'
import { AppError } from '@/server/errors'
import { handle, parseInput, readJson } from '@/server/http'
import { upsertProcedure } from '@/server/shop/catalogue'

const Body = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('procedure'), procedure: Procedure.extend({ id: Id, proves: text(500) }) }),
  z.strictObject({
    what: z.literal('new-account'),
    account: z.strictObject({
      signIn: text(80, 2).toLowerCase(),
      name: text(80),
      role: z.enum(ROLES),
      certificate: text(80, 0),
      password: verbatim(200, 10, 'at least 10 characters'),
    }),
  }),
  z.strictObject({
    what: z.literal('account'),
    account: z.strictObject({ id: Id, role: z.enum(ROLES), certificate: text(80, 0), disabled: z.boolean() }),
  }),
])

/** What only the lead may change: procedures, accounts. */
export const POST = handle(async (request) => {
  const user = await requireUser()
  requireRight(user, 'edit-shop')
  const body = parseInput(Body, await readJson(request))
  const db = database()
  try {
    switch (body.what) {
      case 'procedure':
        await upsertProcedure(db, body.procedure)
        break
      case 'new-account':
        await insertAccount(db, body.account)
        break
      case 'account':
        await transaction(db, (tx) => changeAccount(tx, user.id, body.account))
        break
      default: {
        const unknown: never = body
        return unknown
      }
    }
  } catch (error) {
    throw (error as { code?: string }).code === '23505'
      ? new AppError('conflict', 'That name is taken.', [{ path: 'name', reason: 'is taken' }], error)
      : error
  }
  return Response.json({ ok: true })
})
