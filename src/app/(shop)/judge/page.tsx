import { forPage } from '@/server/accounts/for-page'
import { boardView } from '@/server/jobs/board-view'
import { selectMappings } from '@/server/readings/column-mappings'
import { shopView } from '@/server/shop/view'
import { JudgePage } from '@/ui/judge/judge-page'

export default async function Judge() {
  const scope = await forPage()
  const [mappings, board] = await Promise.all([selectMappings(scope), boardView(scope)])
  const holding = board
    .filter((row) => row.summary.step === 'hold')
    .map((row) => ({ id: row.id, name: row.summary.name }))
  return <JudgePage shop={shopView(scope.shop)} mappings={mappings} holding={holding} />
}
