import { notFound } from 'next/navigation'
import { Id } from '@/core/entry/id'
import { foldJob } from '@/core/job/reduce'
import { fingerprintOf } from '@/core/record/record'
import { nodeCrypto } from '@/node/record-crypto'
import { pageUser } from '@/server/accounts/page-user'
import { database } from '@/server/db/pool'
import { selectJob } from '@/server/jobs/job-rows'
import { jobView } from '@/server/jobs/job-view'
import type { JobContext } from '@/server/jobs/params'
import { mayCorrect } from '@/server/records/may-correct'
import { selectShop } from '@/server/shop/shop'
import { shopView, userView } from '@/server/shop/view'
import { TopBar } from '@/ui/frame/top-bar'
import { RecordPage } from '@/ui/record/record-page'

export default async function Record({ params }: JobContext) {
  const user = await pageUser()
  const { jobId } = await params
  if (!Id.safeParse(jobId).success) notFound()
  const db = database()
  const [shop, view, job] = await Promise.all([selectShop(db), jobView(db, jobId), selectJob(db, jobId)])
  if (!view || !job) notFound()
  return (
    <>
      <TopBar shop={shopView(shop)} user={userView(user)} serverNowMs={Date.now()} />
      <RecordPage
        jobId={jobId}
        state={foldJob(view.events)}
        events={view.events}
        shopName={shop.name}
        timeZone={shop.timeZone}
        head={job.head}
        mayCorrect={await mayCorrect(db, user.id, jobId)}
        fingerprint={fingerprintOf(shop.publicKey, nodeCrypto) ?? ''}
      />
    </>
  )
}
