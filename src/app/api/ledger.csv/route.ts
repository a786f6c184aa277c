import { stringify } from 'csv-stringify/sync'
import { type LedgerEntry, LedgerQuery } from '@/core/shop/ledger'
import { forUser } from '@/server/accounts/session'
import { csvAnswer } from '@/server/csv-answer'
import { handle, parseInput } from '@/server/http'
import { selectLedger } from '@/server/ledger/ledger'

/** Lines read at once: the file grows as it is sent, and no book is too long for it. */
const PART = 5000
const HEAD = ['time', 'kind', 'refrigerant', 'container', 'grams', 'car', 'by', 'why']

/** The ledger as CSV, newest first; all of it, or the days, containers and cars that are asked for. */
export const GET = handle(async (request) => {
  const scope = await forUser()
  const asked = [...new URL(request.url).searchParams].filter(([, v]) => v !== '')
  const query = parseInput(LedgerQuery, Object.fromEntries(asked))
  async function* parts() {
    yield stringify([HEAD])
    let last: LedgerEntry | undefined
    for (;;) {
      const entries = await selectLedger(scope, query, scope.shop.timeZone, PART, last)
      if (entries.length === 0) return
      const rows = entries.map((e) => [
        e.happenedAt,
        e.kind,
        e.refrigerant,
        e.container,
        e.grams,
        e.car ?? '',
        e.by,
        e.why,
      ])
      yield stringify(rows, { escape_formulas: true, cast: { number: (grams) => grams.toFixed(1) } })
      last = entries.at(-1)
    }
  }
  return csvAnswer(parts(), 'refrigerant-ledger.csv')
})
