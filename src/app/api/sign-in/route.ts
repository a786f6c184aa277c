import { z } from 'zod'
import { checkPassword } from '@/server/accounts/accounts'
import { countAttempt, forgetAttempts } from '@/server/accounts/attempts'
import { startSession } from '@/server/accounts/session'
import { database } from '@/server/db/pool'
import { AppError } from '@/server/errors'
import { handle, parseInput, readJson } from '@/server/http'

const Body = z.strictObject({ signIn: z.string().trim().min(1).max(80), password: z.string().min(1).max(200) })

export const POST = handle(async (request) => {
  const { signIn, password } = parseInput(Body, await readJson(request))
  // the server writes the socket's address there unless a proxy did; a forged one still meets the limit per name
  const address = request.headers.get('x-forwarded-for')?.split(',')[0] ?? 'direct'
  await countAttempt(signIn, address)
  const account = await checkPassword(database(), signIn, password)
  if (!account) throw new AppError('not-signed-in', 'Name and password do not belong together.')
  await forgetAttempts(signIn, address)
  await startSession(account.id)
  return Response.json({ name: account.name, role: account.role })
})
