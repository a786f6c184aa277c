import { pageUser } from '@/server/accounts/page-user'
import { database } from '@/server/db/pool'
import { boardView } from '@/server/jobs/board-view'
import { selectMappings } from '@/server/readings/column-mappings'
import { selectShop } from '@/server/shop/shop'
import { shopView, userView } from '@/server/shop/view'
import { TopBar } from '@/ui/frame/top-bar'
import { JudgePage } from '@/ui/judge/judge-page'

export default async function Judge() {
  const user = await pageUser()
  const db = database()
  const [shop, mappings, board] = await Promise.all([selectShop(db), selectMappings(db), boardView(db)])
  const holding = board
    .filter((row) => row.summary.step === 'hold')
    .map((row) => ({ id: row.id, name: row.summary.name }))
  return (
    <>
      <TopBar shop={shopView(shop)} user={userView(user)} serverNowMs={Date.now()} />
      <JudgePage shop={shopView(shop)} mappings={mappings} holding={holding} />
    </>
  )
}
