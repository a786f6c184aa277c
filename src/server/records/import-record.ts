import { parse } from 'csv-parse/sync'
import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { Instant } from '@/core/entry/instant'
import { verbatim } from '@/core/entry/text'
import { type EventDraft, EventDraftSchema, type JobEvent } from '@/core/job/events'
import { foldJob } from '@/core/job/reduce'
import { summarise } from '@/core/job/summary'
import { W } from '@/core/language/server/records'
import { type RecordEvent, RecordFile, verifyRecord } from '@/core/record/record'
import { CHANNELS, READING_UNITS, toStored } from '@/core/units/channel'
import { nodeCrypto, sha256 } from '@/node/record-crypto'
import type { SessionScope } from '../accounts/user-scope'
import { keepLine } from '../book/keep-line'
import { carTakenIn } from '../cars/cars'
import { inTransaction, type TxScope } from '../db/scope'
import { AppError } from '../errors'
import { insertClockSegment } from '../jobs/job-rows'
import { type NewReading, storeReadings } from '../readings/store-readings'
import { logShop } from '../shop/shop-log'
import { readingsCsv } from './readings-csv'

/** A signed record of this shop, and its readings where they are at hand. */
export const OwnRecord = z.strictObject({ record: RecordFile, readings: verbatim(40_000_000, 0).optional() })

const refused = (path: string, reason: string) => new AppError('bad-input', `${path}: ${reason}`, [{ path, reason }])

/**
 * Brings a job back whole from its record: every entry with its hash, and its readings. Nothing is booked: the ledger
 * is not a part of it. The same record twice is stored once.
 * @throws AppError `bad-input` naming the first place where it does not hold, `conflict` where the job is here
 *   otherwise
 */
export async function importRecord(
  scope: SessionScope,
  { record, readings }: z.infer<typeof OwnRecord>,
): Promise<{ id: string; repeated: boolean }> {
  const { first_broken: broken } = verifyRecord(record, nodeCrypto, readings, scope.shop.publicKey)
  if (broken) throw refused(W.record(broken.place.replace(/^\$/, '')), W.it(broken.reason))
  const events = record.events.map(eventOf)
  const id = Id.safeParse(record.job.id).data
  if (!id) throw refused('record.job.id', W.isNoIdOfA)
  return inTransaction(scope, async (tx) => {
    const { rows } = await tx.query<{ head: string; own: boolean }>(
      'select head, shop_id = $2 as own from job where id = $1',
      [id, tx.shopId],
    )
    if (rows[0]?.own && rows[0].head === record.head) return { id, repeated: true }
    if (rows[0]) throw new AppError('conflict', W.thisJobIsHereAlready)
    await store(tx, id, record, events, readings)
    await logShop(tx, scope.user.name, 'record-imported', `${record.job.car}, ${record.signed.at.slice(0, 10)}`)
    return { id, repeated: false }
  })
}

/** An entry of a record as it is folded here. */
function eventOf(e: RecordEvent, i: number): JobEvent {
  const draft = { id: e.id, kind: e.kind, happenedAt: e.happened_at, payload: e.payload }
  const parsed = EventDraftSchema.safeParse(draft)
  if (!parsed.success)
    throw refused(`record.events[${i}]`, W.anEntryThisVersionCannot(e.kind, parsed.error.issues[0]?.message ?? ''))
  return { ...(draft as EventDraft), storedAt: e.stored_at, by: e.by } as JobEvent
}

async function store(
  tx: TxScope,
  id: string,
  record: RecordFile,
  events: readonly JobEvent[],
  readings: string | undefined,
): Promise<void> {
  const state = foldJob(events)
  const { opened } = state
  const at = new Date(state.openedAt)
  const carId = await carTakenIn(tx, opened as never, at)
  await tx.query(
    `insert into job (id, created_at, simulated, barometer_pa, summary, event_count, head, shop_id, car_id)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9)`,
    [
      id,
      at,
      opened.simulated,
      opened.place.barometerPa,
      JSON.stringify(summarise(state)),
      events.length,
      record.head,
      tx.shopId,
      carId,
    ],
  )
  await insertClockSegment(tx, id, { wallMs: at.getTime(), jobMs: at.getTime(), factor: 1 })
  for (const [seq, e] of record.events.entries())
    await tx.query(
      `insert into event (job_id, seq, id, kind, happened_at, stored_at, by_name, payload, previous, hash, shop_id)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
      [
        id,
        seq,
        e.id,
        e.kind,
        e.happened_at,
        e.stored_at,
        e.by,
        JSON.stringify(e.payload),
        e.previous,
        e.hash,
        tx.shopId,
      ],
    )
  if (readings !== undefined) {
    const rows = readingsOf(readings, opened.place.barometerPa)
    for (let from = 0; from < rows.length; from += AT_ONCE)
      await storeReadings(tx, id, rows.slice(from, from + AT_ONCE))
    if (sha256((await readingsCsv(tx, id)).text) !== record.readings.sha256)
      throw refused('readings', W.cannotBeStoredSoThat)
  }
  await tx.query('update job set signed_at = $2 where id = $1', [id, record.signed.at])
  await keepLine(tx, id, carId, state, events)
}

const AT_ONCE = 5000
/** Whose readings these are from now on: which instrument sent each the file does not say. */
const BROUGHT_BACK = 'record'

const Row = z.object({
  time: Instant,
  channel: z.enum(CHANNELS),
  value: z.coerce.number(),
  unit: z.enum(READING_UNITS),
  note: verbatim(2000, 0),
})

function readingsOf(text: string, barometerPa: number): NewReading[] {
  const rows = parse(text, { columns: true, skip_empty_lines: true }) as unknown[]
  return rows.map((row, i) => {
    const parsed = Row.safeParse(row)
    if (!parsed.success) throw refused(W.readingsLine(i + 2), parsed.error.issues[0]?.message ?? W.cannotBeRead)
    const { time, channel, value, unit, note } = parsed.data
    return {
      channel,
      value: toStored(channel, value, unit, barometerPa),
      sentValue: value,
      sentUnit: unit,
      instrumentId: BROUGHT_BACK,
      deviceSeq: i + 1,
      measuredAt: new Date(time),
      byAccount: null,
      // without the quote that keeps a spreadsheet from running it
      note: note === '' ? null : note.replace(/^'(?=[=+\-@\t\r])/, ''),
    }
  })
}
