import { stringify } from 'csv-stringify/sync'
import { Period, STATEMENT_LINES } from '@/core/shop/statement'
import { forUser } from '@/server/accounts/session'
import { csvText } from '@/server/csv-answer'
import { handle, parseInput } from '@/server/http'
import { selectStatement } from '@/server/ledger/statement'

/** A statement of a period as CSV: a line for each refrigerant and each of its sums, g. */
export const GET = handle(async (request) => {
  const scope = await forUser()
  const { from, to } = parseInput(Period, Object.fromEntries(new URL(request.url).searchParams))
  const statements = await selectStatement(scope, { from, to }, scope.shop.timeZone)
  const rows = statements.flatMap((s) =>
    STATEMENT_LINES.map(({ key, name }) => [s.refrigerant, from, to, name, s[key].toFixed(1)]),
  )
  const text = stringify([['refrigerant', 'from', 'to', 'line', 'grams'], ...rows], { escape_formulas: false })
  return csvText(text, `statement-${from}-${to}.csv`)
})
