import { stringify } from 'csv-stringify/sync'
import { requireUser } from '@/server/accounts/session'
import { database } from '@/server/db/pool'
import { handle } from '@/server/http'
import { selectLedger } from '@/server/ledger/ledger'

const MOST = 100_000

/** The whole ledger as CSV, oldest first. */
export const GET = handle(async () => {
  await requireUser()
  const entries = (await selectLedger(database(), null, null, MOST)).reverse()
  const rows = entries.map((e) => [e.happenedAt, e.kind, e.refrigerant, e.container, e.grams.toFixed(1), e.car ?? '', e.by, e.why])
  const text = stringify([['time', 'kind', 'refrigerant', 'container', 'grams', 'car', 'by', 'why'], ...rows])
  return new Response(text, { headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="refrigerant-ledger.csv"' } })
})
