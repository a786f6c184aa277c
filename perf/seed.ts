import { randomUUID } from 'node:crypto'
import type pg from 'pg'
import { bookLineOf, LINE_FORM } from '@/core/book/book-line'
import type { JobEvent } from '@/core/job/events'
import { foldJob } from '@/core/job/reduce'
import { summarise } from '@/core/job/summary'
import { CHAIN_START } from '@/core/record/record'
import { OPENING } from '@/core/tests/opening'
import { seededRandom } from '@/core/units/seeded'
import { RENEWED_WORDS } from '@/core/words/renewed'
import { hashOf } from '@/server/records/chain'
import { DAY_MS } from '../src/core/units/constants'

/** Jobs written in one go, and readings in one statement. */
const AT_ONCE = 1000
/** Jobs of one car: what a page of one car is measured with. */
export const JOBS_A_CAR = 60
/** The years they are spread over. */
const YEARS = 12

const MODELS = ['Halvorn Ridge 14', 'Pelmira 3', 'Dorsk MW-6', 'Korvane 60', 'Brontal G9', 'Ravno Duo']
const KINDS = ['Shuttle', 'Night car', 'Truck', 'Van', 'Grader', 'Ambulance', 'Tractor', 'Pickup']
const PARTS = [
  'rear core',
  'front condenser',
  'low hose',
  'high hose',
  'drier',
  'expansion valve',
  'compressor seal',
  'service port',
]
const DOES = ['weeps', 'rubs on its clip', 'was renewed', 'squeals', 'is dry', 'shows oil', 'was snugged', 'holds now']
const PEOPLE = [
  'Maira Qolque',
  'Teo Brisal',
  'Anouk Verrane',
  'Ilan Dost',
  'Runa Felk',
  'Oskar Vehl',
  'Mina Tarq',
  'Jory Sael',
]
const VERDICTS = ['tight', 'tight', 'tight', 'tight', 'damp', 'leak', 'undecided'] as const

type Made = { id: string; car: number; at: Date; events: (JobEvent & { hash: string; previous: string })[] }

/** One signed job of six entries, as a shop would have written it; the same number is the same job. */
function jobOf(n: number): Made {
  const random = seededRandom(n + 1)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
  const car = Math.floor(n / JOBS_A_CAR)
  const at = new Date(
    Date.UTC(2014, 10, 1) + ((n % JOBS_A_CAR) / JOBS_A_CAR + random() / JOBS_A_CAR) * YEARS * 365 * DAY_MS,
  )
  const who = pick(PEOPLE)
  const when = (minutes: number) => new Date(at.getTime() + minutes * 60_000).toISOString()
  const verdict = pick(VERDICTS)
  const opened = {
    ...OPENING,
    car: {
      name: `${KINDS[car % KINDS.length]} ${car}`,
      model: MODELS[car % MODELS.length] ?? '',
      plate: `CL ${1000 + car}`,
      hybrid: false,
    },
    complaint: `${pick(PARTS)} ${pick(DOES)}`,
  }
  const drafts: Pick<JobEvent, 'kind' | 'payload'>[] = [
    { kind: 'job-opened', payload: opened },
    { kind: 'recovered', payload: { grams: 250 + Math.round(random() * 140) } },
    { kind: 'noted', payload: { text: `${pick(PARTS)} ${pick(DOES)}, ${pick(PARTS)} ${pick(DOES)}` } },
    ...(random() < 0.03 ? [{ kind: 'caution-passed' as const, payload: { code: 'exhaust-cap-on' } }] : []),
    { kind: 'isolated', payload: {} },
    {
      kind: 'hold-ended',
      payload: {
        verdict,
        leak: verdict === 'leak' ? 0.98 : 0.02,
        damp: 0.1,
        risePaS: null,
        provesGramsPerYear: verdict === 'leak' ? null : 40 + Math.round(random() * 200),
        leakGramsPerYear: verdict === 'leak' ? 200 + Math.round(random() * 900) : null,
        heldS: 1800,
        samples: 300,
        reasons: [],
      },
    },
    { kind: 'signed', payload: { certificate: `CL-${500 + (n % 40)}`, readingCount: 0, readingsSha256: CHAIN_START } },
  ] as never
  let previous = CHAIN_START
  const events = drafts.map((draft, i) => {
    const event = { ...draft, id: randomUUID(), happenedAt: when(i * 12), storedAt: when(i * 12), by: who } as JobEvent
    const hash = hashOf(event, previous)
    const linked = { ...event, hash, previous }
    previous = hash
    return linked
  })
  return { id: randomUUID(), car, at, events }
}

/**
 * Writes jobs `from` to `to` with their cars, entries, lines of the book and of the ledger, and so many readings each.
 * @param say - told how many are there
 */
export async function seedJobs(
  db: pg.Pool,
  shopId: number,
  from: number,
  to: number,
  readingsEach: number,
  say: (count: number) => void,
): Promise<void> {
  const cars = new Map<number, string>()
  for (let at = from; at < to; at += AT_ONCE) {
    const jobs = Array.from({ length: Math.min(AT_ONCE, to - at) }, (_, i) => jobOf(at + i))
    await seedCars(db, shopId, jobs, cars)
    await seedBatch(db, shopId, jobs, cars)
    await seedReadings(db, jobs, readingsEach)
    say(at + jobs.length)
  }
  await db.query('analyze')
}

async function seedCars(db: pg.Pool, shopId: number, jobs: readonly Made[], cars: Map<number, string>): Promise<void> {
  for (const { car, events, at } of jobs) {
    if (cars.has(car)) continue
    const opened = events[0]?.payload as typeof OPENING
    const { rows } = await db.query<{ id: string }>(
      `insert into car (shop_id, name, plate, model, label, volume_l, seen_at) values ($1, $2, $3, $4, $5, 2.5, $6)
       on conflict (shop_id, lower(name), lower(plate)) do update set seen_at = excluded.seen_at returning id`,
      [shopId, opened.car.name, opened.car.plate, opened.car.model, JSON.stringify(opened.label), at],
    )
    cars.set(car, rows[0]?.id ?? '')
  }
}

async function seedBatch(db: pg.Pool, shopId: number, jobs: readonly Made[], cars: Map<number, string>): Promise<void> {
  const rows = jobs.map(({ id, car, at, events }) => {
    const state = foldJob(events)
    return { id, car: cars.get(car) ?? '', at, events, state, line: bookLineOf(id, state, events, RENEWED_WORDS) }
  })
  await db.query(
    `insert into job (id, created_at, simulated, barometer_pa, summary, event_count, head, shop_id, car_id, signed_at)
     select id, at, false, 101325, summary, n, head, $1, car, at + interval '2 hours'
       from unnest($2::uuid[], $3::timestamptz[], $4::jsonb[], $5::int[], $6::text[], $7::uuid[]) as r (id, at, summary, n, head, car)`,
    [
      shopId,
      rows.map((r) => r.id),
      rows.map((r) => r.at.toISOString()),
      rows.map((r) => JSON.stringify(summarise(r.state))),
      rows.map((r) => r.events.length),
      rows.map((r) => r.events.at(-1)?.hash),
      rows.map((r) => r.car),
    ],
  )
  const events = rows.flatMap((r) => r.events.map((e, seq) => ({ ...e, seq, jobId: r.id })))
  await db.query(
    `insert into event (job_id, seq, id, kind, happened_at, stored_at, by_name, payload, previous, hash, shop_id)
     select job, seq, id, kind, at, at, by, payload, previous, hash, $1
       from unnest($2::uuid[], $3::int[], $4::uuid[], $5::text[], $6::timestamptz[], $7::text[], $8::jsonb[], $9::text[], $10::text[])
         as r (job, seq, id, kind, at, by, payload, previous, hash)`,
    [
      shopId,
      events.map((e) => e.jobId),
      events.map((e) => e.seq),
      events.map((e) => e.id),
      events.map((e) => e.kind),
      events.map((e) => e.happenedAt),
      events.map((e) => e.by),
      events.map((e) => JSON.stringify(e.payload)),
      events.map((e) => e.previous),
      events.map((e) => e.hash),
    ],
  )
  // words go as one text of each line: an array of arrays of unequal length is none in SQL
  await db.query(
    `insert into book_line (id, shop_id, car_id, at, ended_at, visit, flags, own, words, form)
     select id, $1, car, at, ended, visit, string_to_array(flags, ' '), array_to_tsvector(string_to_array(words, ' ')),
       array_to_tsvector(string_to_array(words, ' ')), $2
       from unnest($3::uuid[], $4::uuid[], $5::timestamptz[], $6::timestamptz[], $7::jsonb[], $8::text[], $9::text[])
         as r (id, car, at, ended, visit, flags, words)`,
    [
      shopId,
      LINE_FORM,
      rows.map((r) => r.id),
      rows.map((r) => r.car),
      rows.map((r) => r.line.at),
      rows.map((r) => r.line.endedAt),
      rows.map((r) => JSON.stringify(r.line.visit)),
      rows.map((r) => r.line.flags.join(' ')),
      rows.map((r) => r.line.tokens.join(' ')),
    ],
  )
  await db.query(
    `insert into ledger_entry (id, kind, happened_at, by_name, refrigerant, container, grams, job_id, shop_id)
     select gen_random_uuid(), k.kind, r.at, 'perf', 'R-134a', case when k.kind = 'recovered' then 'recovery cylinder' else 'Cylinder ' || r.n % 40 end,
       k.grams, r.id, $1 from unnest($2::uuid[], $3::timestamptz[], $4::int[]) as r (id, at, n)
       cross join (values ('bought', 410.0), ('recovered', 300.0), ('charged', -400.0), ('purged', -3.0)) as k (kind, grams)`,
    [shopId, rows.map((r) => r.id), rows.map((r) => r.at.toISOString()), rows.map((_, i) => i)],
  )
}

async function seedReadings(db: pg.Pool, jobs: readonly Made[], each: number): Promise<void> {
  await db.query(
    `insert into reading (job_id, seq, measured_at, channel, value, sent_value, sent_unit, instrument_id, device_seq)
     select j.id, n, j.at + n * interval '20 seconds', 'vacuum', 60 + n % 7, 450, 'micron', 'seed', n
       from unnest($1::uuid[], $2::timestamptz[]) as j (id, at) cross join generate_series(1, $3::int) n`,
    [jobs.map((j) => j.id), jobs.map((j) => j.at.toISOString()), each],
  )
  await db.query(
    `update job set reading_seq = $2::int, readings_from = created_at, readings_to = created_at + $2::int * interval '20 seconds' where id = any($1::uuid[])`,
    [jobs.map((j) => j.id), each],
  )
}
