import { notFound } from 'next/navigation'
import { Id } from '@/core/entry/id'
import { duesOfRig } from '@/core/equipment/upkeep'
import { selectAccounts } from '@/server/accounts/accounts'
import { forPage } from '@/server/accounts/for-page'
import { may } from '@/server/accounts/roles'
import { selectShelf } from '@/server/equipment/shelf'
import { selectLead } from '@/server/jobs/closing-lead'
import { jobView } from '@/server/jobs/job-view'
import { selectLeaksFound } from '@/server/jobs/leaks-found'
import type { JobContext } from '@/server/jobs/params'
import { shopView, userView } from '@/server/shop/view'
import { dayIn } from '@/ui/format'
import { JobScreen } from '@/ui/job/job-screen'

export default async function JobPage({ params }: JobContext) {
  const scope = await forPage()
  const { jobId } = await params
  if (!Id.safeParse(jobId).success) notFound()
  const [view, shelf, learned, accounts] = await Promise.all([
    jobView(scope, jobId),
    selectShelf(scope),
    selectLeaksFound(scope, jobId),
    selectAccounts(scope),
  ])
  if (!view) notFound()
  const opened = view.events[0]
  const lead = await selectLead(scope, scope.user.id, opened?.kind === 'job-opened' ? opened.payload.rig.name : '')
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
  const now = Date.now()
  const oil =
    opened?.kind === 'job-opened'
      ? duesOfRig(opened.payload.rig, shelf, now, dayIn(scope.shop.timeZone)).find(
          (d) => d.what === 'oil' && d.state !== 'fine',
        )
      : undefined
  return (
    <JobScreen
      pumpDue={oil?.words ?? null}
      lead={lead}
      learned={learned}
      stock={stock}
      view={view}
      shop={shopView(scope.shop)}
      user={userView(scope.user, scope.shop)}
      maySign={may(scope.user.role, 'sign-job')}
      colleagues={accounts.flatMap(({ id, name, role, disabledAt }) => (disabledAt ? [] : [{ id, name, role }]))}
      serverNowMs={now}
    />
  )
}
