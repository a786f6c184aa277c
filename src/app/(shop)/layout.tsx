import type { ReactNode } from 'react'
import { unitsOf } from '@/server/accounts/accounts'
import { forPage } from '@/server/accounts/for-page'
import { shopView, userView } from '@/server/shop/view'
import { OnceAwake } from '@/ui/frame/once-awake'
import { SaidProvider } from '@/ui/frame/said'
import { TopBar } from '@/ui/frame/top-bar'
import { OutboxProvider } from '@/ui/outbox/outbox'
import { OutboxBar } from '@/ui/outbox/outbox-bar'
import { UnitsProvider } from '@/ui/units'

/** The bar over every page of the shop. */
export default async function ShopLayout({ children }: { children: ReactNode }) {
  const scope = await forPage()
  const { shop, user } = scope
  return (
    <UnitsProvider units={await unitsOf(scope, user.id)}>
      <SaidProvider>
        <OutboxProvider who={user.id} whoName={user.name}>
          <TopBar shop={shopView(shop)} user={userView(user, shop)} serverNowMs={Date.now()} />
          <OutboxBar />
          <OnceAwake>{children}</OnceAwake>
        </OutboxProvider>
      </SaidProvider>
    </UnitsProvider>
  )
}
