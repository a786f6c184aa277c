import { notFound } from 'next/navigation'
import { Id } from '@/core/entry/id'
import { fingerprintOf } from '@/core/record/record'
import { nodeCrypto } from '@/node/record-crypto'
import { forPage } from '@/server/accounts/for-page'
import { recordSide } from '@/server/book/record-side'
import type { JobContext } from '@/server/jobs/params'
import { mayCorrect } from '@/server/records/may-correct'
import { RecordPage } from '@/ui/record/record-page'

export default async function Record({ params }: JobContext) {
  const scope = await forPage()
  const { jobId } = await params
  if (!Id.safeParse(jobId).success) notFound()
  const side = await recordSide(scope, jobId)
  if (!side) notFound()
  return (
    <RecordPage
      {...side}
      shopName={scope.shop.name}
      timeZone={scope.shop.timeZone}
      mayCorrect={await mayCorrect(scope, scope.user.id, jobId)}
      fingerprint={fingerprintOf(scope.shop.publicKey, nodeCrypto) ?? ''}
    />
  )
}
