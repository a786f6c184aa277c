import { forPage } from '@/server/accounts/for-page'
import { boardView } from '@/server/jobs/board-view'
import { Board } from '@/ui/board/board'

export default async function BoardPage() {
  const scope = await forPage()
  const rows = await boardView(scope)
  const now = Date.now()
  return <Board rows={rows} timeZone={scope.shop.timeZone} serverNowMs={now} />
}
