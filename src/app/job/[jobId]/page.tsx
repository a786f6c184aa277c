import { notFound } from 'next/navigation'
import { Id } from '@/core/entry/id'
import { duesOfRig } from '@/core/equipment/upkeep'
import { pageUser } from '@/server/accounts/page-user'
import { may } from '@/server/accounts/roles'
import { database } from '@/server/db/pool'
import { selectShelf } from '@/server/equipment/shelf'
import { selectLead } from '@/server/jobs/closing-lead'
import { jobView } from '@/server/jobs/job-view'
import type { JobContext } from '@/server/jobs/params'
import { selectShop } from '@/server/shop/shop'
import { shopView, userView } from '@/server/shop/view'
import { dayIn } from '@/ui/format'
import { TopBar } from '@/ui/frame/top-bar'
import { JobScreen } from '@/ui/job/job-screen'

export default async function JobPage({ params }: JobContext) {
  const user = await pageUser()
  const { jobId } = await params
  if (!Id.safeParse(jobId).success) notFound()
  const db = database()
  const [shop, view] = await Promise.all([selectShop(db), jobView(db, jobId)])
  if (!view) notFound()
  const opened = view.events[0]
  const shelf = await selectShelf(db)
  const stock = shelf.flatMap((s) =>
    s.kind === 'container' && !s.retired
      ? [
          {
            id: s.id,
            name: s.name,
            kind: s.spec.containerKind,
            refrigerant: s.spec.refrigerant,
            grossG: s.spec.grossG,
            tareG: s.spec.tareG,
          },
        ]
      : [],
  )
  const lead = await selectLead(db, user.id, opened?.kind === 'job-opened' ? opened.payload.rig.name : '')
  const now = Date.now()
  const oil =
    opened?.kind === 'job-opened'
      ? duesOfRig(opened.payload.rig, shelf, now, dayIn(shop.timeZone)).find(
          (d) => d.what === 'oil' && d.state !== 'fine',
        )
      : undefined
  return (
    <>
      <TopBar shop={shopView(shop)} user={userView(user)} serverNowMs={now} />
      <JobScreen
        pumpDue={oil?.words ?? null}
        lead={lead}
        stock={stock}
        view={view}
        shop={shopView(shop)}
        user={userView(user)}
        maySign={may(user.role, 'sign-job')}
        serverNowMs={now}
      />
    </>
  )
}
