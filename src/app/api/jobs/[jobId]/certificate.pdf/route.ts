import { paperHash } from '@/core/record/check-file'
import { fingerprintOf } from '@/core/record/record'
import { sayIn } from '@/core/units/say'
import { nodeCrypto } from '@/node/record-crypto'
import { unitsOf } from '@/server/accounts/accounts'
import { forUser } from '@/server/accounts/session'
import { recordSide } from '@/server/book/record-side'
import { notFound } from '@/server/errors'
import { addressOf, handle, parseInput } from '@/server/http'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { certificatePdf } from '@/server/records/certificate-pdf'
import { dateTimeIn } from '@/ui/format'

/** The certificate of a job to print or to hand over; a draft says on every page that it is one. */
export const GET = handle(async (request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const side = await recordSide(scope, jobId)
  if (!side) throw notFound('this job')
  const fingerprint = fingerprintOf(scope.shop.publicKey, nodeCrypto) ?? ''
  const pdf = await certificatePdf({
    ...side,
    shopName: scope.shop.name,
    fingerprint,
    checkUrl: new URL(`/check${paperHash({ head: side.head, key: fingerprint })}`, addressOf(request.headers)).href,
    say: sayIn(await unitsOf(scope, scope.user.id), side.state.opened.place.barometerPa),
    at: dateTimeIn(scope.shop.timeZone),
  })
  return new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="certificate-${side.jobId.slice(0, 8)}.pdf"`,
      'cache-control': 'private, no-store',
    },
  })
})
