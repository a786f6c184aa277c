import * as z from 'zod'
import { verbatim } from '@/core/entry/text'
import { W } from '@/core/language/pages/password-route'
import { Password } from '@/core/shop/people'
import { checkPassword, setPassword } from '@/server/accounts/accounts'
import { countAttempt, forgetAttempts } from '@/server/accounts/attempts'
import { forUser } from '@/server/accounts/session'
import { inTransaction } from '@/server/db/scope'
import { AppError } from '@/server/errors'
import { handle, parseInput, readJson } from '@/server/http'
import { addressOfSender } from '@/server/sender'
import { logShop } from '@/server/shop/shop-log'

const Body = z.strictObject({ old: verbatim(200), password: Password })

/** Another password for whoever is signed in; every other session of theirs ends. */
export const POST = handle(async (request) => {
  const scope = await forUser()
  const { old, password } = parseInput(Body, await readJson(request))
  const { signIn, id } = scope.user
  const address = addressOfSender(request)
  await countAttempt(signIn, address)
  if (!(await checkPassword(scope, signIn, old)))
    throw new AppError('bad-input', W.thatIsNotYourPassword, [{ path: 'old', reason: W.isNotYourPasswordNow }])
  await forgetAttempts(signIn, address)
  await inTransaction(scope, async (tx) => {
    await setPassword(tx, id, password, scope.sessionId)
    await logShop(tx, scope.user.name, 'password-set', scope.user.name)
  })
  return Response.json({ ok: true })
})
