import { pageUser } from '@/server/accounts/page-user'
import { database } from '@/server/db/pool'
import { boardView } from '@/server/jobs/board-view'
import { selectShop } from '@/server/shop/shop'
import { shopView, userView } from '@/server/shop/view'
import { Board } from '@/ui/board/board'
import { TopBar } from '@/ui/frame/top-bar'

export default async function BoardPage() {
  const user = await pageUser()
  const db = database()
  const [shop, rows] = await Promise.all([selectShop(db), boardView(db)])
  const now = Date.now()
  return (
    <>
      <TopBar shop={shopView(shop)} user={userView(user)} serverNowMs={now} />
      <Board rows={rows} timeZone={shop.timeZone} serverNowMs={now} />
    </>
  )
}
