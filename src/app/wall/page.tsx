import { unitsOf } from '@/server/accounts/accounts'
import { forPage } from '@/server/accounts/for-page'
import { dayView } from '@/server/day/plan-rows'
import { boardView } from '@/server/jobs/board-view'
import { selectRinging } from '@/server/watch/alarm-rows'
import { AlarmsProvider } from '@/ui/alarms/alarms'
import { WallDay } from '@/ui/day/wall-day'
import { SaidProvider } from '@/ui/frame/said'
import { OutboxProvider } from '@/ui/outbox/outbox'
import { UnitsProvider } from '@/ui/units'

/** The day for a screen on the wall: nothing to press, read from four metres. */
export default async function Wall() {
  const scope = await forPage()
  const [rows, day] = await Promise.all([boardView(scope), dayView(scope)])
  return (
    <UnitsProvider units={await unitsOf(scope, scope.user.id)}>
      <SaidProvider>
        <OutboxProvider who={scope.user.id} whoName={scope.user.name}>
          <AlarmsProvider first={await selectRinging(scope)}>
            <WallDay
              rows={rows}
              day={day}
              shop={scope.shop.name}
              timeZone={scope.shop.timeZone}
              serverNowMs={Date.now()}
            />
          </AlarmsProvider>
        </OutboxProvider>
      </SaidProvider>
    </UnitsProvider>
  )
}
