import { database } from '../db/pool'

/** Months this process knows to have their partition, such as `2026-11`. */
const known = new Set<string>()

/** Makes sure that the monthly partition of each time exists before a transaction needs it. */
export async function ensurePartitions(times: readonly Date[]): Promise<void> {
  for (const month of new Set(times.map((t) => t.toISOString().slice(0, 7)))) {
    if (known.has(month)) continue
    await createPartition(month)
    known.add(month)
  }
}

async function createPartition(month: string): Promise<void> {
  if (!/^\d{4}-\d{2}$/.test(month)) throw new RangeError(`not a month: ${month}`)
  const from = `${month}-01T00:00:00Z`
  const next = new Date(from)
  next.setUTCMonth(next.getUTCMonth() + 1)
  const name = `reading_${month.replace('-', '_')}`
  // the advisory lock lets two servers meet the new month together
  await database().query(
    `do $$ begin
       -- whoever holds the readings and waits for us would wait for ever: then rather an error
       perform set_config('lock_timeout', '10s', true);
       perform pg_advisory_xact_lock(460001);
       if to_regclass('${name}') is null then
         create table ${name} partition of reading for values from ('${from}') to ('${next.toISOString()}');
       end if;
     end $$`,
  )
}
