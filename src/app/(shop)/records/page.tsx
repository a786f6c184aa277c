import { understood } from '@/core/book/find'
import { forPage } from '@/server/accounts/for-page'
import { findLines } from '@/server/book/find-lines'
import { RecordsPage } from '@/ui/book/records-page'
import { dayIn } from '@/ui/format'

/** Lines on the page at most; the file has all. */
const MOST = 100

export default async function Records({ searchParams }: { searchParams: Promise<{ q?: string | string[] }> }) {
  const scope = await forPage()
  const { q } = await searchParams
  const typed = (typeof q === 'string' ? q : '').slice(0, 300)
  const { timeZone } = scope.shop
  const today = dayIn(timeZone)(Date.now())
  const { pieces, ...find } = understood(typed, today)
  const { lines, nearly } = await findLines(scope, find, timeZone, MOST + 1)
  return (
    <RecordsPage
      typed={typed}
      pieces={pieces}
      lines={lines.slice(0, MOST)}
      more={lines.length > MOST}
      nearly={nearly}
      today={today}
      timeZone={timeZone}
    />
  )
}
