import { z } from 'zod'
import { Procedure } from '@/core/procedure/events'
import { insertAccount, updateAccount } from '@/server/accounts/accounts'
import { ROLES, requireRight } from '@/server/accounts/roles'
import { requireUser } from '@/server/accounts/session'
import { database } from '@/server/db/pool'
import { AppError, notFound } from '@/server/errors'
import { handle, parseInput, readJson } from '@/server/http'
import { upsertProcedure } from '@/server/shop/catalogue'

const Body = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('procedure'), procedure: Procedure.extend({ id: z.uuid(), proves: z.string().trim().min(1).max(500) }) }),
  z.strictObject({
    what: z.literal('new-account'),
    account: z.strictObject({
      signIn: z.string().trim().toLowerCase().min(2).max(80),
      name: z.string().trim().min(1).max(80),
      role: z.enum(ROLES),
      certificate: z.string().trim().max(80),
      password: z.string().min(10, 'at least 10 characters').max(200),
    }),
  }),
  z.strictObject({
    what: z.literal('account'),
    account: z.strictObject({ id: z.uuid(), role: z.enum(ROLES), certificate: z.string().trim().max(80), disabled: z.boolean() }),
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
        if (body.account.id === user.id && (body.account.disabled || body.account.role !== 'lead')) {
          throw new AppError('conflict', 'You cannot take the lead from yourself: somebody must keep it.')
        }
        if (!(await updateAccount(db, body.account.id, body.account))) throw notFound('this account')
        break
      default: {
        const unknown: never = body
        return unknown
      }
    }
  } catch (error) {
    throw (error as { code?: string }).code === '23505' ? new AppError('conflict', 'That name is taken.', [{ path: 'name', reason: 'is taken' }], error) : error
  }
  return Response.json({ ok: true })
})
