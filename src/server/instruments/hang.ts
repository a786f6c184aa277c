import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { verbatim } from '@/core/entry/text'
import type { EventDraft } from '@/core/job/events'
import { SEATS } from '@/core/job/instrument-kinds'
import { foldJob } from '@/core/job/reduce'
import { gaugesApart } from '@/core/job/state'
import { W } from '@/core/language/server/instruments'
import { type Instrument, PUMP_CHANNEL } from '@/core/shop/instruments'
import { type PressureUnit, toPascal } from '@/core/units/pressure'
import type { UserScope } from '../accounts/user-scope'
import { inTransaction, type TxScope } from '../db/scope'
import { AppError, notFound } from '../errors'
import { type Appended, appendEvents } from '../jobs/append-events'
import { jobNow } from '../jobs/job-now'
import { selectEvents, selectJobForUpdate } from '../jobs/job-rows'
import type { Recorded } from '../jobs/record-deeds'
import { recordedSince } from '../jobs/record-deeds'
import { selectInstruments } from './instruments'

/**
 * What hangs on a car: an instrument hung on (`move` takes it off another car first, `instead` takes another off with
 * it), or taken off.
 */
export const Hanging = z.strictObject({
  id: Id,
  instrument: verbatim(80, 1),
  off: z.literal(true).optional(),
  seat: z.enum(SEATS).default('far'),
  instead: verbatim(80, 1).optional(),
  move: z.boolean().default(false),
  seen: z.number().int().min(0).max(1e6).optional(),
})
type Hanging = z.infer<typeof Hanging>

/**
 * Hangs an instrument of the shop on a car, or takes it off, with the log's line in the same transaction: its readings
 * count for this car from this moment of the wall's clock on, also those that arrive later.
 * @throws AppError `not-found`; `conflict` when it hangs on another car, naming it, or was withdrawn; `already-signed`
 */
export async function hangInstrument(db: UserScope, jobId: string, asked: Hanging): Promise<Recorded> {
  return inTransaction(db, async (tx) => {
    const job = await selectJobForUpdate(tx, jobId)
    if (!job) throw notFound(W.thisJob)
    const stored = await selectEvents(tx, jobId)
    if (stored.some((e) => e.id === asked.id))
      return recordedSince(tx, jobId, asked.seen, [{ id: asked.id, seq: 0, repeated: true }])
    const known = await lockInstruments(tx, asked)
    const found = known.find((i) => i.id === asked.instrument)
    if (!found) throw notFound(W.thisInstrument)
    const happenedAt = new Date(Math.round((await jobNow(tx, jobId))?.ms ?? Date.now())).toISOString()
    const appended = asked.off
      ? await takeOff(tx, db.user, jobId, found, { id: asked.id, happenedAt })
      : await hangOn(
          tx,
          db,
          jobId,
          found,
          known.find((i) => i.id === asked.instead),
          asked,
          happenedAt,
        )
    await seatGauges(tx, jobId)
    return recordedSince(tx, jobId, asked.seen, appended)
  })
}

/** Locked, so that of two who hang one instrument on two cars one is told where it hangs. */
async function lockInstruments(tx: TxScope, { instrument, instead }: Hanging): Promise<Instrument[]> {
  await tx.query('select 1 from instrument where shop_id = $1 and id = any($2) order by id for update', [
    tx.shopId,
    [instrument, instead ?? instrument],
  ])
  return selectInstruments(tx)
}

type Place = { id: string; happenedAt: string }

async function takeOff(
  tx: TxScope,
  user: UserScope['user'],
  jobId: string,
  found: Instrument,
  { id, happenedAt }: Place,
): Promise<Appended[]> {
  if (found.on?.jobId !== jobId)
    throw new AppError('conflict', W.doesNotHangOnThis(found.name, found.on ? W.butOn(found.on.car) : ''))
  await closeHanging(tx, found.id)
  return appendEvents(tx, user, jobId, [
    { id, kind: 'instrument-off', happenedAt, payload: { instrument: found.id, name: found.name } },
  ])
}

async function hangOn(
  tx: TxScope,
  db: UserScope,
  jobId: string,
  found: Instrument,
  instead: Instrument | undefined,
  asked: Hanging,
  happenedAt: string,
): Promise<Appended[]> {
  if (found.withdrawn) throw new AppError('conflict', W.wasWithdrawnTheLeadGives(found.name))
  if (found.on?.jobId === jobId) throw new AppError('conflict', W.hangsOnThisCarAlready(found.name))
  if (found.on) {
    if (!asked.move)
      throw new AppError('conflict', W.hangsOnTakeItOff(found.name, found.on.car), undefined, undefined, {
        on: found.on,
      })
    await moveAway(tx, db, found)
  }
  if (instead) await closeHanging(tx, instead.id, jobId)
  await tx.query(
    'insert into attachment (instrument_id, job_id, from_at, shop_id, seat) values ($1, $2, now(), $3, $4)',
    [found.id, jobId, tx.shopId, asked.seat],
  )
  return appendEvents(tx, db.user, jobId, [hungDraft(found, instead, asked, happenedAt)])
}

function hungDraft(
  found: Instrument,
  instead: Instrument | undefined,
  { id, seat }: Hanging,
  happenedAt: string,
): EventDraft {
  const stepPa =
    found.kind === 'vacuum'
      ? toPascal(found.step, found.unit as PressureUnit) - toPascal(0, found.unit as PressureUnit)
      : undefined
  return {
    id,
    kind: 'instrument-hung',
    happenedAt,
    payload: {
      instrument: found.id,
      name: found.name,
      kind: found.kind,
      seat: found.kind === 'vacuum' ? seat : 'far',
      ...(stepPa !== undefined && stepPa > 0 && { stepPa }),
      ...(instead && { instead: { instrument: instead.id, name: instead.name } }),
    },
  }
}

/** Off the car it hung on, with the line in that car's log. */
async function moveAway(tx: TxScope, db: UserScope, found: Instrument): Promise<void> {
  const from = found.on as NonNullable<Instrument['on']>
  await closeHanging(tx, found.id)
  const happenedAt = new Date(Math.round((await jobNow(tx, from.jobId))?.ms ?? Date.now())).toISOString()
  await appendEvents(tx, db.user, from.jobId, [
    {
      id: crypto.randomUUID(),
      kind: 'instrument-off',
      happenedAt,
      payload: { instrument: found.id, name: found.name },
    },
  ])
}

async function closeHanging(tx: TxScope, instrument: string, jobId?: string): Promise<void> {
  await tx.query(
    `update attachment set to_at = now() where shop_id = $1 and instrument_id = $2 and to_at is null
        and ($3::uuid is null or job_id = $3)`,
    [tx.shopId, instrument, jobId ?? null],
  )
}

/** With two vacuum gauges on a car the one at the pump is kept apart: the far one is what is judged. */
async function seatGauges(tx: TxScope, jobId: string): Promise<void> {
  const apart = gaugesApart(foldJob(await selectEvents(tx, jobId))).map((h) => h.instrument)
  await tx.query(
    `update attachment set stored_channel = case when instrument_id = any($3) then $4 end
      where shop_id = $1 and job_id = $2 and to_at is null`,
    [tx.shopId, jobId, apart, PUMP_CHANNEL],
  )
}
