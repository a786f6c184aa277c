import { randomUUID } from 'node:crypto'
import { canonicalJson } from '@/core/entry/canonical'
import { oneForm } from '@/core/entry/instant'
import { clockFactor, jobTimeMs } from '@/core/job/clock'
import { AFTER_SIGNATURE, type EventDraft, type JobEvent, type RigWritten } from '@/core/job/events'
import { foldJob, reduceJob } from '@/core/job/reduce'
import { refusalOf } from '@/core/job/refusals'
import { countsAsWork, type JobState } from '@/core/job/state'
import { summarise } from '@/core/job/summary'
import { W } from '@/core/language/server/jobs'
import type { Author } from '../accounts/author'
import { rigTruth } from '../bench/truth'
import { keepLine } from '../book/keep-line'
import type { TxScope } from '../db/scope'
import { insertDeed } from '../equipment/shelf'
import { AppError, notFound } from '../errors'
import { bookEvent } from '../ledger/ledger'
import { hashOf } from '../records/chain'
import { mayCorrect } from '../records/may-correct'
import { insertClockSegment, type JobRow, selectClock, selectEvents, selectJobForUpdate } from './job-rows'
import { notifyChange } from './notify'

/** What became of each draft: its place in the chain, and whether it had been stored before. */
export type Appended = { id: string; seq: number; repeated: boolean }

/**
 * Appends events to a job's chain in one transaction with the board's row.
 * The same id with the same content is harmless; with another content it is refused.
 * @throws AppError `not-found`, `already-signed`, `conflict`
 */
export async function appendEvents(
  tx: TxScope,
  author: Author,
  jobId: string,
  drafts: readonly EventDraft[],
): Promise<Appended[]> {
  const job = await selectJobForUpdate(tx, jobId)
  if (!job) throw notFound(W.thisJob)
  const stored = await selectEvents(tx, jobId)
  const known = new Map(stored.map((e) => [e.id, e]))
  refuseTwice(drafts)
  const fresh = drafts.filter((draft) => !known.has(draft.id))
  for (const draft of drafts) refuseOtherContent(draft, known.get(draft.id))
  if (job.signedAt) await refuseAfterSignature(tx, author, jobId, fresh)
  const before = foldJob(stored)
  refuseImpossible(before, fresh)
  for (const draft of fresh)
    if (draft.kind === 'charge-planned') await refuseOtherStock(tx, before, draft.payload.containers)
  for (const draft of fresh) if (draft.kind === 'car-given') await refuseStranger(tx, draft.payload)
  for (const draft of fresh)
    if (draft.kind === 'rig-taken' && job.simulated) await rigOfTheBench(tx, jobId, draft.payload.rig)
  const slowing = job.simulated ? await slowForHands(tx, jobId, before, fresh) : []
  const said = fresh.length > 0 ? clockSetBack(stored, fresh[0] as EventDraft) : []
  const added = await insertChain(tx, author, job, [...said, ...fresh, ...slowing])
  if (added.length > 0) await updateJob(tx, job, [...stored, ...added], added, added.reduce(reduceJob, before))
  let state = before
  for (const event of added) {
    const effect = effectOf(state, event)
    state = reduceJob(state, event)
    if (!effect) continue
    await bookEvent(tx, author, jobId, effect, state)
    await oilOfThePump(tx, author, effect, state)
  }
  const places = new Map([...stored, ...added].map((e) => [e.id, e.seq]))
  return drafts.map((draft) => ({ id: draft.id, seq: places.get(draft.id) as number, repeated: known.has(draft.id) }))
}

/** The simulated bench plays with the rig that is really on. */
async function rigOfTheBench(tx: TxScope, jobId: string, rig: RigWritten): Promise<void> {
  await tx.query(
    `update job
        set bench = jsonb_set(jsonb_set(bench, '{truth}', bench -> 'truth' || $2::jsonb), '{scaleStepG}',
        to_jsonb($3::float8))
      where id = $1 and shop_id = $4`,
    [jobId, JSON.stringify(rigTruth(rig)), rig.scaleStepG, tx.shopId],
  )
}

/** Fresh oil in the middle of a pull stands in the pump's own book: its hours begin anew. */
async function oilOfThePump(tx: TxScope, author: Author, event: JobEvent, state: JobState): Promise<void> {
  const equipmentId = state.opened.rig.equipment?.pump
  if (event.kind !== 'pump-oil' || event.payload.stage !== 'done' || !equipmentId || !countsAsWork(state)) return
  const { id, happenedAt } = event
  await insertDeed(tx, author, { id, equipmentId, kind: 'oil-changed', happenedAt, payload: {} })
}

/** What an event brings about now: nothing while it is set aside, and what was set aside when it is chosen. */
function effectOf(before: JobState, event: JobEvent): JobEvent | null {
  if (before.aside[event.id]?.event === null) return null
  if (event.kind !== 'deed-chosen') return event
  return event.payload.holds ? (before.aside[event.payload.eventId]?.event ?? null) : null
}

/** A clock that stands so much earlier than at the entry before was set back, s; less is two servers' clocks. */
const SET_BACK_S = 5

/** The jump of a clock that was set back since the last entry, said before what is recorded now. */
function clockSetBack(stored: readonly JobEvent[], next: EventDraft): EventDraft[] {
  const last = stored[stored.length - 1]
  const backS = last ? (Date.parse(last.storedAt) - Date.now()) / 1000 : 0
  return backS > SET_BACK_S
    ? [{ id: randomUUID(), kind: 'clock-set-back', happenedAt: next.happenedAt, payload: { backS: Math.round(backS) } }]
    : []
}

function refuseTwice(drafts: readonly EventDraft[]): void {
  const i = drafts.findIndex((draft, n) => drafts.findIndex((other) => other.id === draft.id) < n)
  if (i >= 0)
    throw new AppError('bad-input', W.twoEventsOfOneRequest, [
      { path: `events[${i}].id`, reason: W.isThereTwiceEachEvent },
    ])
}

/**
 * Clock of a simulated job while its last grams are weighed, times the wall: faster no hand can close a valve in time
 * (assumed).
 */
const HANDS_FACTOR = 10

/** A hurried simulated clock slows down when charging begins; the job says so like any other change of its clock. */
async function slowForHands(
  tx: TxScope,
  jobId: string,
  before: JobState,
  drafts: readonly EventDraft[],
): Promise<EventDraft[]> {
  const last = drafts[drafts.length - 1]
  const asEvents = drafts.map((draft) => ({ ...draft, storedAt: draft.happenedAt, by: '' }) as JobEvent)
  if (!last || before.step === 'charge' || asEvents.reduce(reduceJob, before).step !== 'charge') return []
  const clock = await selectClock(tx, jobId)
  if (clockFactor(clock) <= HANDS_FACTOR) return []
  const wallMs = Date.now()
  await insertClockSegment(tx, jobId, { wallMs, jobMs: Math.round(jobTimeMs(clock, wallMs)), factor: HANDS_FACTOR })
  return [
    {
      id: randomUUID(),
      kind: 'bench-set',
      happenedAt: last.happenedAt,
      payload: { action: 'speed', factor: HANDS_FACTOR },
    },
  ]
}

function refuseOtherContent(draft: EventDraft, before: JobEvent | undefined): void {
  if (!before) return
  if (before.kind === draft.kind && canonicalJson(before.payload) === canonicalJson(draft.payload)) return
  throw new AppError('conflict', W.anEventWithTheId(draft.id))
}

/** What cannot have happened is refused with its place and reason; nothing of the request is stored then. */
function refuseImpossible(before: JobState, drafts: readonly EventDraft[]): void {
  let state = before
  for (const [i, draft] of drafts.entries()) {
    const refusal = state.aside[draft.id] ? null : refusalOf(state, draft)
    if (refusal)
      throw new AppError('conflict', refusal.reason, [
        { path: [`events[${i}].payload`, refusal.path].filter(Boolean).join('.'), reason: refusal.reason },
      ])
    state = reduceJob(state, { ...draft, storedAt: draft.happenedAt, by: '' } as JobEvent)
  }
}

/** A car is given to somebody who works here, by the name they have. */
async function refuseStranger(tx: TxScope, { account, name }: { account: string; name: string }): Promise<void> {
  const { rows } = await tx.query<{ name: string }>(
    'select name from account where id = $1 and shop_id = $2 and disabled_at is null',
    [account, tx.shopId],
  )
  if (rows[0]?.name === name) return
  const reason = W.doesNotWorkHereOr(name)
  throw new AppError('conflict', reason, [{ path: 'account', reason }])
}

/** A container of the shelf holds what the shelf says, whatever a request claims. */
async function refuseOtherStock(
  tx: TxScope,
  { opened }: JobState,
  containers: readonly { id: string; stockId?: string | undefined }[],
): Promise<void> {
  const ids = containers.flatMap((c) => (c.stockId ? [c.stockId] : []))
  const { rows } = await tx.query<{ id: string; refrigerant: string }>(
    `select id, spec ->> 'refrigerant' as refrigerant from equipment where shop_id = $2 and id = any($1)
        and kind = 'container'`,
    [ids, tx.shopId],
  )
  for (const [i, c] of containers.entries()) {
    if (c.stockId === undefined) continue
    const held = rows.find((r) => r.id === c.stockId)?.refrigerant
    if (held === opened.label.refrigerant) continue
    const reason =
      held === undefined ? W.isNoContainerOfThe(c.id) : W.holdsTheCarsLabelAsks(c.id, held, opened.label.refrigerant)
    throw new AppError('conflict', reason, [{ path: `containers[${i}].stockId`, reason }])
  }
}

async function refuseAfterSignature(
  tx: TxScope,
  author: Author,
  jobId: string,
  drafts: readonly EventDraft[],
): Promise<void> {
  const late = drafts.find((draft) => !AFTER_SIGNATURE.includes(draft.kind))
  if (late) throw new AppError('already-signed', W.theRecordIsSignedWhat)
  if (!drafts.some((draft) => draft.kind === 'corrected') || author.id === null) return
  if (!(await mayCorrect(tx, author.id, jobId))) throw new AppError('not-allowed', W.aSignedRecordIsCorrected)
}

type Linked = JobEvent & { seq: number; hash: string; previous: string }

async function insertChain(tx: TxScope, author: Author, job: JobRow, drafts: readonly EventDraft[]): Promise<Linked[]> {
  const storedAt = new Date().toISOString()
  let previous = job.head
  const linked = drafts.map((draft, i): Linked => {
    // in the one form the database gives back: another form of the same moment is another hash
    const event = { ...draft, happenedAt: oneForm(draft.happenedAt), storedAt, by: author.name } as JobEvent
    const hash = hashOf(event, previous)
    const link = { ...event, seq: job.eventCount + i, previous, hash }
    previous = hash
    return link
  })
  for (const event of linked) {
    await tx.query(
      `insert into event (job_id, seq, id, kind, happened_at, stored_at, by_account, by_name, payload,
          previous, hash, shop_id)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)`,
      [
        job.id,
        event.seq,
        event.id,
        event.kind,
        event.happenedAt,
        event.storedAt,
        author.id,
        author.name,
        JSON.stringify(event.payload),
        event.previous,
        event.hash,
        tx.shopId,
      ],
    )
  }
  return linked
}

async function updateJob(
  tx: TxScope,
  job: JobRow,
  events: readonly JobEvent[],
  added: readonly Linked[],
  state: JobState,
): Promise<void> {
  const last = added[added.length - 1] as Linked
  const count = job.eventCount + added.length
  await tx.query(
    `update job set event_count = $2, head = $3, summary = $4, signed_at = coalesce(signed_at, $5),
       whose = coalesce($6, whose) where id = $1`,
    [
      job.id,
      count,
      last.hash,
      JSON.stringify(summarise(state)),
      state.signed ? new Date(last.storedAt) : null,
      state.whose.account ?? null,
    ],
  )
  await keepLine(tx, job.id, job.carId, state, events)
  await notifyChange(tx, { job: job.id, events: count })
}
