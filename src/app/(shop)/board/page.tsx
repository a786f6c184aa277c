import { forPage } from '@/server/accounts/for-page'
import { may } from '@/server/accounts/roles'
import { promisesKept } from '@/server/day/calendar'
import { dayView } from '@/server/day/plan-rows'
import { boardView } from '@/server/jobs/board-view'
import { Board } from '@/ui/board/board'

export default async function BoardPage({ searchParams }: { searchParams: Promise<{ view?: string }> }) {
  const scope = await forPage()
  const view = (await searchParams).view === 'day' ? 'day' : 'now'
  const [rows, day, kept] = await Promise.all([
    boardView(scope),
    // the stream brings the day to whoever looks at the board of now: its plan is as long as all the rows
    view === 'day' ? dayView(scope) : undefined,
    promisesKept(scope, scope.shop.timeZone),
  ])
  const { id, name, role } = scope.user
  return (
    <Board
      rows={rows}
      day={day}
      kept={kept}
      view={view}
      viewer={{ id, name, mayPlan: may(role, 'plan-day'), lead: role === 'lead' }}
      timeZone={scope.shop.timeZone}
      serverNowMs={Date.now()}
    />
  )
}
