import { type BookLine, bookLineOf, LINE_FORM } from '@/core/book/book-line'
import type { CarFacts } from '@/core/book/car-facts'
import { joined, tokensOf } from '@/core/book/tokens'
import type { JobEvent } from '@/core/job/events'
import type { JobState } from '@/core/job/state'
import { RENEWED_WORDS } from '@/core/words/renewed'
import type { Scope, TxScope } from '../db/scope'
import { selectSpan } from '../readings/span'

/** What a car is found by besides its jobs' own words. */
const knownBy = `coalesce((select array[c.name, c.plate, c.facts ->> 'vin', c.facts ->> 'owner'] from car c
    where c.id = $3 and c.shop_id = $2), '{}')`

/** A job's line, written anew where it says something else than before; in the transaction that changed the job. */
export async function keepLine(
  tx: Scope,
  jobId: string,
  carId: string | null,
  state: JobState,
  events: readonly JobEvent[],
): Promise<void> {
  const { rows } = await tx.query<{ known: (string | null)[] }>(`select ${knownBy} as known from (select $1::uuid) q`, [
    jobId,
    tx.shopId,
    carId,
  ])
  // its readings are looked at when it ends, not at every entry
  const deepestPa = state.signed || state.closed ? await deepestOf(tx, jobId) : null
  await writeLine(
    tx,
    { id: jobId, carId, importId: null },
    bookLineOf(jobId, state, events, RENEWED_WORDS, deepestPa),
    rows[0]?.known ?? [],
  )
}

/** The deepest vacuum that was read of a job, Pa; null where none was. */
async function deepestOf(tx: Scope, jobId: string): Promise<number | null> {
  const span = await selectSpan(tx, jobId)
  if (!span) return null
  const { rows } = await tx.query<{ pa: number | null }>(
    `select min(value) as pa from reading where job_id = $1 and channel = 'vacuum' and measured_at >= $2
        and measured_at <= $3`,
    [jobId, span.from, span.to],
  )
  return rows[0]?.pa ?? null
}

/** A line of any kind. @param known - names of its car, empty where they are not known */
export async function writeLine(
  tx: Scope,
  place: { id: string; carId: string | null; importId: string | null },
  line: BookLine,
  known: readonly (string | null)[],
): Promise<void> {
  const tokens = carWords(known)
  // what nobody looks for changes with every entry: the indexes are touched only where a word or a filter is new
  await tx.query(
    `insert into book_line as b (id, shop_id, import_id, car_id, at, ended_at, visit, flags, own, words, form)
     values ($1, $2, $3, $4, $5, $6, $7, $8, array_to_tsvector($9::text[]), array_to_tsvector($10::text[]), $11)
     on conflict (id) do update set car_id = excluded.car_id, ended_at = excluded.ended_at, visit = excluded.visit,
       flags = excluded.flags, own = excluded.own, words = excluded.words, form = excluded.form
     where (b.car_id, b.ended_at, b.visit, b.flags, b.words, b.form)
       is distinct
         from (excluded.car_id, excluded.ended_at, excluded.visit, excluded.flags, excluded.words,
         excluded.form)`,
    [
      place.id,
      tx.shopId,
      place.importId,
      place.carId,
      line.at,
      line.endedAt,
      line.visit && JSON.stringify(line.visit),
      line.flags,
      line.tokens,
      [...new Set([...line.tokens, ...tokens])],
      LINE_FORM,
    ],
  )
}

/** Words a car adds to the lines of its jobs. */
export function carWords(known: readonly (string | null)[]): string[] {
  const names = known.flatMap((n) => (n ? [n] : []))
  return [...new Set([...names.flatMap(tokensOf), ...names.flatMap(joined)])]
}

/** A car is called otherwise: its lines are found by that too. */
export async function renameLines(
  tx: TxScope,
  carId: string,
  car: { name: string; plate: string; facts: CarFacts },
): Promise<void> {
  await tx.query(
    `update book_line set words = own || array_to_tsvector($3::text[]) where car_id = $1 and shop_id = $2`,
    [carId, tx.shopId, carWords([car.name, car.plate, car.facts.vin, car.facts.owner])],
  )
}
