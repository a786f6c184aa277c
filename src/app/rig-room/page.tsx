import { pageUser } from '@/server/accounts/page-user'
import { may } from '@/server/accounts/roles'
import { database } from '@/server/db/pool'
import { selectShelf } from '@/server/equipment/shelf'
import { selectRigs } from '@/server/shop/catalogue'
import { selectShop } from '@/server/shop/shop'
import { shopView, userView } from '@/server/shop/view'
import { TopBar } from '@/ui/frame/top-bar'
import { RigRoom } from '@/ui/rig-room/rig-room'

export default async function RigRoomPage() {
  const user = await pageUser()
  const db = database()
  const [shop, rigs, shelf] = await Promise.all([selectShop(db), selectRigs(db), selectShelf(db)])
  const now = Date.now()
  return (
    <>
      <TopBar shop={shopView(shop)} user={userView(user)} serverNowMs={now} />
      <RigRoom shop={shopView(shop)} rigs={rigs} shelf={shelf} mayEdit={may(user.role, 'edit-shop')} now={now} />
    </>
  )
}
