import { duesOfRig } from '@/core/equipment/upkeep'
import { pageUser } from '@/server/accounts/page-user'
import { database } from '@/server/db/pool'
import { selectShelf } from '@/server/equipment/shelf'
import { selectProcedures, selectRigs } from '@/server/shop/catalogue'
import { selectShop } from '@/server/shop/shop'
import { shopView, userView } from '@/server/shop/view'
import { dayIn } from '@/ui/format'
import { TopBar } from '@/ui/frame/top-bar'
import { NewCar } from '@/ui/job/new-car'

export default async function NewCarPage() {
  const user = await pageUser()
  const db = database()
  const [shop, procedures, rigs, shelf] = await Promise.all([
    selectShop(db),
    selectProcedures(db),
    selectRigs(db),
    selectShelf(db),
  ])
  const now = Date.now()
  return (
    <>
      <TopBar shop={shopView(shop)} user={userView(user)} serverNowMs={now} />
      <NewCar
        shop={shopView(shop)}
        procedures={procedures}
        rigs={rigs.map((rig) => ({ ...rig, dues: duesOfRig(rig, shelf, now, dayIn(shop.timeZone)) }))}
      />
    </>
  )
}
