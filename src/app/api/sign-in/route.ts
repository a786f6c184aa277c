import * as z from 'zod'
import { text, verbatim } from '@/core/entry/text'
import { W } from '@/core/language/pages/sign-in-route'
import { checkPassword } from '@/server/accounts/accounts'
import { countAttempt, forgetAttempts } from '@/server/accounts/attempts'
import { startSession } from '@/server/accounts/session'
import { database } from '@/server/db/pool'
import { scopeOf } from '@/server/db/scope'
import { refuseDemoPassword } from '@/server/demo/sign-ins'
import { AppError } from '@/server/errors'
import { handle, parseInput, readJson } from '@/server/http'
import { addressOfSender, isLoopback } from '@/server/sender'
import { selectShop } from '@/server/shop/shop'

const Body = z.strictObject({ signIn: text(80), password: verbatim(200) })

export const POST = handle(async (request) => {
  const { signIn, password } = parseInput(Body, await readJson(request))
  const address = addressOfSender(request)
  await countAttempt(signIn, address)
  const shop = await selectShop(database())
  const account = await checkPassword(scopeOf(shop.id), signIn, password)
  if (!account) throw new AppError('not-signed-in', W.nameAndPasswordDoNot)
  if (!isLoopback(address)) refuseDemoPassword(shop, signIn, password)
  await forgetAttempts(signIn, address)
  await startSession(shop, account.id)
  return Response.json({ name: account.name, role: account.role })
})
