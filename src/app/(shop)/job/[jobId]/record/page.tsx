import { notFound } from 'next/navigation'
import { Id } from '@/core/entry/id'
import { foldJob } from '@/core/job/reduce'
import { fingerprintOf } from '@/core/record/record'
import { nodeCrypto } from '@/node/record-crypto'
import { forPage } from '@/server/accounts/for-page'
import { selectJob } from '@/server/jobs/job-rows'
import { jobView } from '@/server/jobs/job-view'
import type { JobContext } from '@/server/jobs/params'
import { mayCorrect } from '@/server/records/may-correct'
import { RecordPage } from '@/ui/record/record-page'

export default async function Record({ params }: JobContext) {
  const scope = await forPage()
  const { jobId } = await params
  if (!Id.safeParse(jobId).success) notFound()
  const [view, job] = await Promise.all([jobView(scope, jobId), selectJob(scope, jobId)])
  if (!view || !job) notFound()
  return (
    <RecordPage
      jobId={jobId}
      state={foldJob(view.events)}
      events={view.events}
      shopName={scope.shop.name}
      timeZone={scope.shop.timeZone}
      head={job.head}
      mayCorrect={await mayCorrect(scope, scope.user.id, jobId)}
      fingerprint={fingerprintOf(scope.shop.publicKey, nodeCrypto) ?? ''}
    />
  )
}
