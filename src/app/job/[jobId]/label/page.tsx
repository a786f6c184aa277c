import { notFound } from 'next/navigation'
import { Id } from '@/core/entry/id'
import { foldJob } from '@/core/job/reduce'
import { serviceLabel } from '@/core/record/service-label'
import { pageUser } from '@/server/accounts/page-user'
import { database } from '@/server/db/pool'
import { selectEvents } from '@/server/jobs/job-rows'
import type { JobContext } from '@/server/jobs/params'
import { selectShop } from '@/server/shop/shop'
import { chargedDay } from '@/ui/format'
import { LabelPage } from '@/ui/record/label-page'

export default async function Label({ params }: JobContext) {
  const user = await pageUser()
  const { jobId } = await params
  if (!Id.safeParse(jobId).success) notFound()
  const db = database()
  const [shop, events] = await Promise.all([selectShop(db), selectEvents(db, jobId)])
  if (events.length === 0) notFound()
  const state = foldJob(events)
  const lines = serviceLabel(state, {
    shop: shop.name,
    day: chargedDay(state, shop.timeZone),
    by: user.name,
    certificate: user.certificate,
  })
  return <LabelPage jobId={jobId} lines={lines} signed={state.signed !== undefined} />
}
