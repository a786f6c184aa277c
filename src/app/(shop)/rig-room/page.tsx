import { forPage } from '@/server/accounts/for-page'
import { may } from '@/server/accounts/roles'
import { selectShelf } from '@/server/equipment/shelf'
import { selectRigs } from '@/server/shop/catalogue'
import { shopView } from '@/server/shop/view'
import { RigRoom } from '@/ui/rig-room/rig-room'

export default async function RigRoomPage() {
  const scope = await forPage()
  const [rigs, shelf] = await Promise.all([selectRigs(scope), selectShelf(scope)])
  const now = Date.now()
  return (
    <RigRoom
      shop={shopView(scope.shop)}
      rigs={rigs}
      shelf={shelf}
      mayEdit={may(scope.user.role, 'edit-shop')}
      now={now}
    />
  )
}
