import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { text, verbatim } from '@/core/entry/text'
import { W } from '@/core/language/pages/nod-route'
import { checkPassword } from '@/server/accounts/accounts'
import { countAttempt, forgetAttempts } from '@/server/accounts/attempts'
import { forUser } from '@/server/accounts/session'
import { onBehalf } from '@/server/accounts/user-scope'
import { AppError } from '@/server/errors'
import { handle, parseInput, readJson } from '@/server/http'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { recordDeeds } from '@/server/jobs/record-deeds'
import { addressOfSender } from '@/server/sender'

const Body = z.strictObject({ id: Id, signIn: text(80), password: verbatim(200) })

/** A technician who stands beside a trainee nods to the plan on the trainee's own screen, by name and password. */
export const POST = handle(async (request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const { id, signIn, password } = parseInput(Body, await readJson(request))
  const address = addressOfSender(request)
  await countAttempt(signIn, address)
  const account = await checkPassword(scope, signIn, password)
  if (!account) throw new AppError('bad-input', W.nameAndPasswordDoNot)
  await forgetAttempts(signIn, address)
  const nod = { id, kind: 'charge-nodded', payload: {} }
  return Response.json(await recordDeeds(onBehalf(scope, account), jobId, { events: [nod] }), { status: 201 })
})
