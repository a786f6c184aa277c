import * as z from 'zod'
import { Id } from '../entry/id'
import { text, verbatim } from '../entry/text'
import { W } from '../language/shop/people'

export const ROLES = ['lead', 'technician', 'trainee'] as const
export type Role = (typeof ROLES)[number]

/** Somebody who is to sign in: a name to sign in by, and the name people read in the record. */
export const NewAccount = z.strictObject({
  signIn: text(80, 2, W.atLeast2Characters).toLowerCase(),
  name: text(80, 1, W.theNamePeopleReadIn),
  role: z.enum(ROLES),
  certificate: text(80, 0),
  password: verbatim(200, 10, W.atLeast10Characters),
})

/** A password, as whoever chooses it types it. */
export const Password = verbatim(200, 10, W.atLeast10Characters)

/** Somebody who is asked in by a link, and chooses a password there. */
export const Invited = NewAccount.omit({ password: true })

/** What the lead changes of somebody. */
export const AccountChange = z.strictObject({
  id: Id,
  role: z.enum(ROLES),
  certificate: text(80, 0),
  disabled: z.boolean(),
})
