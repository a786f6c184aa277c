import { notFound } from 'next/navigation'
import { Id } from '@/core/entry/id'
import { foldJob } from '@/core/job/reduce'
import { serviceLabel } from '@/core/record/service-label'
import { forPage } from '@/server/accounts/for-page'
import { selectEvents } from '@/server/jobs/job-rows'
import type { JobContext } from '@/server/jobs/params'
import { chargedDay } from '@/ui/format'
import { LabelPage } from '@/ui/record/label-page'

export default async function Label({ params }: JobContext) {
  const scope = await forPage()
  const { jobId } = await params
  if (!Id.safeParse(jobId).success) notFound()
  const events = await selectEvents(scope, jobId)
  if (events.length === 0) notFound()
  const state = foldJob(events)
  const lines = serviceLabel(state, {
    shop: scope.shop.name,
    day: chargedDay(state, scope.shop.timeZone),
    by: scope.user.name,
    certificate: scope.user.certificate,
  })
  return <LabelPage jobId={jobId} lines={lines} signed={state.signed !== undefined} />
}
