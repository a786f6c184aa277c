import { notFound } from 'next/navigation'
import { pageUser } from '@/server/accounts/page-user'
import { may } from '@/server/accounts/roles'
import { database } from '@/server/db/pool'
import { selectShelf } from '@/server/equipment/shelf'
import { selectShop } from '@/server/shop/shop'
import { shopView, userView } from '@/server/shop/view'
import { TopBar } from '@/ui/frame/top-bar'
import { EquipmentPage } from '@/ui/rig-room/equipment-page'

export default async function OnePiece({ params }: { params: Promise<{ equipmentId: string }> }) {
  const user = await pageUser()
  const { equipmentId } = await params
  const db = database()
  const [shop, shelf] = await Promise.all([selectShop(db), selectShelf(db)])
  const item = shelf.find((s) => s.id === equipmentId)
  if (!item) notFound()
  const now = Date.now()
  return (
    <>
      <TopBar shop={shopView(shop)} user={userView(user)} serverNowMs={now} />
      <EquipmentPage item={item} shop={shopView(shop)} mayEdit={may(user.role, 'edit-shop')} now={now} />
    </>
  )
}
