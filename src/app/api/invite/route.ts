import * as z from 'zod'
import { text } from '@/core/entry/text'
import { Password } from '@/core/shop/people'
import { countAttempt } from '@/server/accounts/attempts'
import { useInvitation } from '@/server/accounts/invitations'
import { startSession } from '@/server/accounts/session'
import { database } from '@/server/db/pool'
import { handle, parseInput, readJson } from '@/server/http'
import { addressOfSender } from '@/server/sender'
import { selectShop } from '@/server/shop/shop'

const Body = z.strictObject({ token: text(80), password: Password })

/** Whoever was asked in by a link sets a password, and is signed in. */
export const POST = handle(async (request) => {
  const { token, password } = parseInput(Body, await readJson(request))
  // guessing links is as slow as guessing passwords
  await countAttempt('by link', addressOfSender(request))
  const accountId = await useInvitation(token, password)
  await startSession(await selectShop(database()), accountId)
  return Response.json({ ok: true })
})
