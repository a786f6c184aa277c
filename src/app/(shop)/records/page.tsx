import { understood } from '@/core/book/find'
import { foundWords } from '@/core/words/book-words'
import { forPage } from '@/server/accounts/for-page'
import { findLines } from '@/server/book/find-lines'
import { RecordsPage } from '@/ui/book/records-page'
import { dayIn } from '@/ui/format'

/** Lines on the page at most; the file has all. */
const MOST = 60

export default async function Records({ searchParams }: { searchParams: Promise<{ q?: string | string[] }> }) {
  const scope = await forPage()
  const { q } = await searchParams
  const typed = (typeof q === 'string' ? q : '').slice(0, 300)
  const { timeZone } = scope.shop
  const day = dayIn(timeZone)
  const today = day(Date.now())
  const { pieces, ...find } = understood(typed, today)
  const { lines, nearly } = await findLines(scope, find, timeZone, MOST + 1)
  return (
    <RecordsPage
      typed={typed}
      pieces={pieces}
      lines={lines.slice(0, MOST).map((line) => ({
        id: line.id,
        href: line.former ? `/cars/${line.carId}` : `/job/${line.id}/record`,
        former: line.former,
        day: day(Date.parse(line.at)),
        car: line.car,
        whose: line.whose,
        ...foundWords(line),
      }))}
      more={lines.length > MOST}
      nearly={nearly}
      today={today}
    />
  )
}
