import { stringify } from 'csv-stringify/sync'
import { understood } from '@/core/book/find'
import { FLAG_WORDS } from '@/core/book/flags'
import { forUser } from '@/server/accounts/session'
import { findLines } from '@/server/book/find-lines'
import { csvText } from '@/server/csv-answer'
import { handle } from '@/server/http'
import { dayIn } from '@/ui/format'

const MOST = 100_000
const HEAD = ['id', 'came', 'ended', 'car', 'model', 'refrigerant', 'recovered_g', 'charged_g', 'verdict', 'what']

/** What the book's search finds, as CSV, the newest first. */
export const GET = handle(async (request) => {
  const scope = await forUser()
  const { timeZone } = scope.shop
  const typed = new URL(request.url).searchParams.get('q') ?? ''
  const { lines } = await findLines(scope, understood(typed, dayIn(timeZone)(Date.now())), timeZone, MOST)
  const rows = lines.map(({ id, at, endedAt, car, model, visit, flags }) => [
    ...[id, at, endedAt ?? '', car, model, visit?.refrigerant ?? ''],
    ...[visit?.recoveredG ?? '', visit?.charged?.grams ?? '', visit?.holds.at(-1)?.verdict ?? ''],
    flags.map((f) => FLAG_WORDS[f][0]).join('; '),
  ])
  const text = stringify([HEAD, ...rows], { escape_formulas: true, cast: { number: (grams) => grams.toFixed(1) } })
  return csvText(text, 'records.csv')
})
