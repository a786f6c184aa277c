import { notFound } from 'next/navigation'
import { forPage } from '@/server/accounts/for-page'
import { may } from '@/server/accounts/roles'
import { selectShelf } from '@/server/equipment/shelf'
import { shopView } from '@/server/shop/view'
import { EquipmentPage } from '@/ui/rig-room/equipment-page'

export default async function OnePiece({ params }: { params: Promise<{ equipmentId: string }> }) {
  const scope = await forPage()
  const { equipmentId } = await params
  const shelf = await selectShelf(scope)
  const item = shelf.find((s) => s.id === equipmentId)
  if (!item) notFound()
  const now = Date.now()
  return <EquipmentPage item={item} shop={shopView(scope.shop)} mayEdit={may(scope.user.role, 'edit-shop')} now={now} />
}
