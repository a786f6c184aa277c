import type { ReactNode } from 'react'
import { unitsOf } from '@/server/accounts/accounts'
import { currentScope } from '@/server/accounts/session'
import { database } from '@/server/db/pool'
import { findShop } from '@/server/shop/shop'
import { shopView, userView } from '@/server/shop/view'
import { OpenBar } from '@/ui/frame/open-bar'
import { SectionPages } from '@/ui/frame/sections'
import { TopBar } from '@/ui/frame/top-bar'
import { UnitsProvider } from '@/ui/units'

export const dynamic = 'force-dynamic'

/** Pages that are open to anybody: the shop's own bar for whoever works here, and nothing of the shop for others. */
export default async function OpenLayout({ children }: { children: ReactNode }) {
  const scope = (await findShop(database())) ? await currentScope() : null
  if (!scope)
    return (
      <>
        <OpenBar />
        {children}
      </>
    )
  const { shop, user } = scope
  return (
    <UnitsProvider units={await unitsOf(scope, user.id)}>
      <TopBar shop={shopView(shop)} user={userView(user, shop)} serverNowMs={Date.now()} />
      <SectionPages user={userView(user, shop)} />
      {children}
    </UnitsProvider>
  )
}
