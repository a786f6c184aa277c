import { randomUUID } from 'node:crypto'
import type { EventDraft, JobEvent, JobOpened } from '@/core/procedure/events'
import { foldJob } from '@/core/procedure/reduce'
import { summarise } from '@/core/procedure/summary'
import { CHAIN_START } from '@/core/record/record'
import type { Author } from '../accounts/author'
import { truthOf } from '../bench/truth'
import type { Transaction } from '../db/pool'
import { hashOf } from '../records/chain'
import { insertClockSegment } from './job-rows'
import { notifyChange } from './notify'

/** How fast the clock of a car on the simulated bench runs at first. */
export const BENCH_FACTOR = 60

/**
 * Opens a job: its clock, its first event, and for a simulated car its hidden truth and instrument.
 * @param openedAt - wall time the work begins, also the job's time then
 * @param draft - id of the job's first event; the same id twice opens one job
 */
export async function openJob(
  tx: Transaction,
  author: Author,
  draft: { id: string; eventId: string; payload: JobOpened; factor?: number },
  openedAt = new Date(),
): Promise<{ id: string; repeated: boolean }> {
  const { id, payload } = draft
  const opening: EventDraft = { id: draft.eventId, kind: 'job-opened', happenedAt: openedAt.toISOString(), payload }
  const event: JobEvent = { ...opening, storedAt: new Date().toISOString(), by: author.name }
  const hash = hashOf(event, CHAIN_START)
  const bench = payload.simulated ? { truth: truthOf(payload, id), scaleStepG: payload.rig.scaleStepG } : null
  const { rowCount } = await tx.query(
    `insert into job (id, created_at, simulated, barometer_pa, summary, event_count, head, bench)
     values ($1, $2, $3, $4, $5, 1, $6, $7) on conflict (id) do nothing`,
    [id, openedAt, payload.simulated, payload.place.barometerPa, JSON.stringify(summarise(foldJob([event]))), hash, bench && JSON.stringify(bench)],
  )
  if (rowCount === 0) return { id, repeated: true }
  await tx.query(
    `insert into event (job_id, seq, id, kind, happened_at, stored_at, by_account, by_name, payload, previous, hash)
     values ($1, 0, $2, 'job-opened', $3, $4, $5, $6, $7, $8, $9)`,
    [id, event.id, event.happenedAt, event.storedAt, author.id, author.name, JSON.stringify(payload), CHAIN_START, hash],
  )
  const factor = draft.factor ?? (payload.simulated ? BENCH_FACTOR : 1)
  await insertClockSegment(tx, id, { wallMs: openedAt.getTime(), jobMs: openedAt.getTime(), factor })
  if (payload.simulated) await attachBench(tx, id, openedAt)
  await notifyChange(tx, { job: id, events: 1 })
  return { id, repeated: false }
}

/** Name of the simulated instrument of a job. */
export const benchInstrument = (jobId: string): string => `bench-${jobId.slice(0, 8)}`

async function attachBench(tx: Transaction, jobId: string, from: Date): Promise<void> {
  const instrument = benchInstrument(jobId)
  await tx.query(`insert into instrument (id, device_id, name) select $1, (select id from device where kind = 'bench' limit 1), 'simulated bench' on conflict (id) do nothing`, [
    instrument,
  ])
  await tx.query('insert into attachment (instrument_id, job_id, from_at) values ($1, $2, $3)', [instrument, jobId, from])
}

/** A fresh id for a job or an event made on the server. */
export const newId = (): string => randomUUID()
