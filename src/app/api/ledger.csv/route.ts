import { stringify } from 'csv-stringify/sync'
import { LedgerQuery } from '@/core/shop/ledger'
import { forUser } from '@/server/accounts/session'
import { handle, parseInput } from '@/server/http'
import { selectLedger } from '@/server/ledger/ledger'

const MOST = 100_000

/** The ledger as CSV, oldest first; all of it, or the days, containers and cars that are asked for. */
export const GET = handle(async (request) => {
  const scope = await forUser()
  const asked = [...new URL(request.url).searchParams].filter(([, v]) => v !== '')
  const query = parseInput(LedgerQuery, Object.fromEntries(asked))
  const entries = (await selectLedger(scope, query, scope.shop.timeZone, MOST)).reverse()
  const rows = entries.map((e) => [e.happenedAt, e.kind, e.refrigerant, e.container, e.grams, e.car ?? '', e.by, e.why])
  const text = stringify([['time', 'kind', 'refrigerant', 'container', 'grams', 'car', 'by', 'why'], ...rows], {
    escape_formulas: true,
    cast: { number: (grams) => grams.toFixed(1) },
  })
  return new Response(text, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="refrigerant-ledger.csv"',
    },
  })
})
