import { W } from '@/core/language/pages/certificate-pdf-route'
import { paperHash } from '@/core/record/check-file'
import { fingerprintOf } from '@/core/record/record'
import { nodeCrypto } from '@/node/record-crypto'
import { unitsOf } from '@/server/accounts/accounts'
import { forUser } from '@/server/accounts/session'
import { recordSide } from '@/server/book/record-side'
import { notFound } from '@/server/errors'
import { addressOf, handle, parseInput } from '@/server/http'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { certificateApart } from '@/server/records/certificate'

/** The certificate of a job to print or to hand over; a draft says on every page that it is one. */
export const GET = handle(async (request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const side = await recordSide(scope, jobId)
  if (!side) throw notFound(W.thisJob)
  const fingerprint = fingerprintOf(scope.shop.publicKey, nodeCrypto) ?? ''
  const { events, picture, head } = side
  const pdf = await certificateApart({
    events,
    picture,
    head,
    shopName: scope.shop.name,
    timeZone: scope.shop.timeZone,
    fingerprint,
    checkUrl: new URL(`/check${paperHash({ head, key: fingerprint })}`, addressOf(request.headers)).href,
    units: await unitsOf(scope, scope.user.id),
  })
  return new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="certificate-${side.jobId.slice(0, 8)}.pdf"`,
      'cache-control': 'private, no-store',
    },
  })
})
