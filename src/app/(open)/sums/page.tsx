import { currentScope } from '@/server/accounts/session'
import { database } from '@/server/db/pool'
import { boardView } from '@/server/jobs/board-view'
import { findShop } from '@/server/shop/shop'
import { SumsPage } from '@/ui/sums/sums-page'

/** The arithmetic of the trade for anybody; whoever works here may put a line of it into a job. */
export default async function Sums() {
  const scope = (await findShop(database())) ? await currentScope() : null
  const open = scope ? (await boardView(scope)).filter((row) => !row.summary.signed) : []
  return (
    <SumsPage
      jobs={open.map(({ id, summary }) => ({ id, name: summary.name }))}
      airPa={scope?.shop.barometerPa ?? null}
    />
  )
}
