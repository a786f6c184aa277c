import type { ReactNode } from 'react'
import { unitsOf } from '@/server/accounts/accounts'
import { forPage } from '@/server/accounts/for-page'
import { shopView, userView } from '@/server/shop/view'
import { selectRinging } from '@/server/watch/alarm-rows'
import { AlarmBar } from '@/ui/alarms/alarm-bar'
import { AlarmsProvider } from '@/ui/alarms/alarms'
import { OnceAwake } from '@/ui/frame/once-awake'
import { SaidProvider } from '@/ui/frame/said'
import { SectionPages } from '@/ui/frame/sections'
import { TopBar } from '@/ui/frame/top-bar'
import { OutboxProvider } from '@/ui/outbox/outbox'
import { OutboxBar } from '@/ui/outbox/outbox-bar'
import { UnitsProvider } from '@/ui/units'

/** The bar over every page of the shop. */
export default async function ShopLayout({ children }: { children: ReactNode }) {
  const scope = await forPage()
  const { shop, user } = scope
  const now = Date.now()
  return (
    <UnitsProvider units={await unitsOf(scope, user.id)}>
      <SaidProvider>
        <OutboxProvider who={user.id} whoName={user.name}>
          <AlarmsProvider first={await selectRinging(scope)}>
            <TopBar shop={shopView(shop)} user={userView(user, shop)} serverNowMs={now} />
            <SectionPages user={userView(user, shop)} />
            <OutboxBar />
            <AlarmBar user={userView(user, shop)} leadAfterMin={shop.leadAfterMin} serverNowMs={now} />
            <OnceAwake>{children}</OnceAwake>
          </AlarmsProvider>
        </OutboxProvider>
      </SaidProvider>
    </UnitsProvider>
  )
}
