import { randomUUID } from 'node:crypto'
import * as z from 'zod'
import { type Caution, cautionsBefore, pumpElsewhere } from '@/core/call/cautions'
import { canonicalJson } from '@/core/entry/canonical'
import { Id } from '@/core/entry/id'
import { Instant } from '@/core/entry/instant'
import { contradictionOf } from '@/core/job/contradictions'
import { type EventDraft, EventDraftSchema, type JobEvent, SERVER_KINDS } from '@/core/job/events'
import { foldJob, reduceJob } from '@/core/job/reduce'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/server/jobs'
import { lengthWords } from '@/core/units/duration'
import { eventWords } from '@/core/words/event-words'
import { requireDeedsOfTrainee } from '../accounts/trainee'
import type { UserScope } from '../accounts/user-scope'
import { inTransaction, type Scope } from '../db/scope'
import { AppError, notFound } from '../errors'
import { parseInput } from '../http'
import { type Appended, appendEvents } from './append-events'
import { jobNow } from './job-now'
import { type StoredEvent, selectEvents, selectJobForUpdate } from './job-rows'
import { pumpsRunning } from './pumps-running'

/** Deeds of one hand that waited before another at most. */
const MOST_KNOWN = 500
/**
 * What a hand sends beside its deed: how much of the job it had seen, whether the deed waited without a line, and the
 * hand's own deeds that waited before it.
 */
const SEEN = {
  seen: z.number().int().min(0).max(1e6).optional(),
  waited: z.boolean().optional(),
  knew: z.array(Id).max(MOST_KNOWN).optional(),
}
const Hand = z.object(SEEN)
/** The same of a deed with a request of its own; `at`: the job time it was done at, where it waited. */
export const Waited = { ...SEEN, at: Instant.optional() }

export const Deeds = z.strictObject({
  events: z
    .array(z.looseObject({ id: Id.optional() }))
    .min(1)
    .max(40),
})
type Deeds = z.infer<typeof Deeds>

type Deed = { draft: EventDraft; seen: number | undefined; waited: boolean; knew: readonly string[] }

/**
 * What became of deeds: their places in the log, and the job's events from `from` on, so that a screen moves on at
 * once. `serverMs` is the server's wall time, by which a browser learns how far its clock is off. With `cautions`
 * nothing was recorded: they are a question, to be answered by sending the deeds again with `caution-passed` before
 * them.
 */
export type Recorded = {
  appended: Appended[]
  from: number
  events: JobEvent[]
  serverMs: number
  cautions?: Caution[]
}

/** A hand's clock may differ from ours by this, ms of wall time. */
const CLOCKS_MS = 5000

/**
 * Records what hands did, under the job's lock: judged on the job as it stands now, not as the hand last saw it.
 * @throws AppError `not-found`; `bad-input` for a time that cannot be; `conflict` for a deed that contradicts what
 *   happened
 * meanwhile (with the events its hand had not seen) or does what is done already; `already-signed`
 */
export async function recordDeeds(db: UserScope, jobId: string, { events }: Deeds): Promise<Recorded> {
  return inTransaction(db, async (tx) => {
    if (!(await selectJobForUpdate(tx, jobId))) throw notFound(W.thisJob)
    const now = await jobNow(tx, jobId)
    if (!now) throw notFound(W.thisJob)
    const deeds = readDeeds(events, new Date(Math.round(now.ms)).toISOString())
    const stored = await selectEvents(tx, jobId)
    const known = new Set(stored.map((e) => e.id))
    const fresh = deeds.filter((d) => !known.has(d.draft.id))
    await requireDeedsOfTrainee(
      tx,
      db.user,
      foldJob(stored),
      stored,
      fresh.map((d) => d.draft),
    )
    const elsewhere = await elsewhereCautions(tx, jobId, stored, fresh)
    const weighed = weigh(elsewhere, settleTimes(fresh, stored, now.ms, CLOCKS_MS * now.factor), stored)
    const answered = deeds.map((d) => d.seen ?? stored.length)
    const from = Math.min(stored.length, ...answered)
    if (weighed.cautions.length > 0)
      return { appended: [], from, events: plain(stored.slice(from)), serverMs: Date.now(), cautions: weighed.cautions }
    const repeats = deeds.filter((d) => known.has(d.draft.id)).map((d) => d.draft)
    const appended = await appendEvents(tx, db.user, jobId, [...repeats, ...weighed.drafts])
    const asked = new Set(deeds.map((d) => d.draft.id))
    return {
      appended: appended.filter((a) => asked.has(a.id)),
      from,
      events: plain(await selectEvents(tx, jobId, from - 1)),
      serverMs: Date.now(),
    }
  })
}

/** Events as pages know them, without their links. */
export const plain = (events: readonly StoredEvent[]): JobEvent[] =>
  events.map(({ seq: _s, previous: _p, hash: _h, ...event }) => event as JobEvent)

const Drafts = z.strictObject({ events: z.array(EventDraftSchema) })

function readDeeds(sent: Deeds['events'], happenedAt: string): Deed[] {
  const hands = sent.map((event) => parseInput(Hand, event))
  const bare = sent.map(({ seen: _s, waited: _w, knew: _k, ...event }) => ({
    happenedAt,
    ...event,
    id: event.id ?? randomUUID(),
  }))
  const drafts = parseInput(Drafts, { events: bare }).events
  return drafts.map((draft, i) => {
    if (SERVER_KINDS.includes(draft.kind))
      throw new AppError('bad-input', W.isWrittenByTheServer(draft.kind), [
        { path: `events[${i}].kind`, reason: W.hasARequestOfIts },
      ])
    return { draft, seen: hands[i]?.seen, waited: hands[i]?.waited ?? false, knew: hands[i]?.knew ?? [] }
  })
}

/**
 * Deeds at the times they count at: what two clocks differ by is set right. One that waited keeps its own time.
 * @throws AppError `bad-input` for a time before the car came, before what the deed follows, or after now, with both
 *   times
 */
function settleTimes(deeds: readonly Deed[], stored: readonly JobEvent[], nowMs: number, apartMs: number): Deed[] {
  const arrivedMs = Date.parse(stored[0]?.happenedAt ?? '')
  return deeds.map((deed, i) => {
    if (deed.waited) return deed
    const followsMs = Math.max(
      arrivedMs,
      Date.parse(stored[Math.min(deed.seen ?? stored.length, stored.length) - 1]?.happenedAt ?? '') || arrivedMs,
    )
    const atMs = Date.parse(deed.draft.happenedAt)
    const fault = faultOfTime(atMs, { arrivedMs, followsMs, nowMs, apartMs })
    if (fault) throw new AppError('bad-input', fault, [{ path: `events[${i}].happenedAt`, reason: fault }])
    return { ...deed, draft: { ...deed.draft, happenedAt: iso(Math.max(followsMs, Math.min(nowMs, atMs))) } }
  })
}

type Times = { arrivedMs: number; followsMs: number; nowMs: number; apartMs: number }

function faultOfTime(atMs: number, { arrivedMs, followsMs, nowMs, apartMs }: Times): string | null {
  if (atMs > nowMs + apartMs) return W.liesAheadOfTheJobs(iso(atMs), iso(nowMs))
  if (atMs < arrivedMs - apartMs) return W.liesBeforeTheCarCame(iso(atMs), iso(arrivedMs))
  return atMs < followsMs - apartMs ? W.liesBeforeWhatItFollows(iso(atMs), iso(followsMs)) : null
}

const iso = (ms: number): string => new Date(Math.round(ms)).toISOString()

type Weighed = { drafts: EventDraft[]; cautions: Caution[] }

/**
 * Deeds as they are to be stored, one on the state the one before leaves: contradictions, and cautions nobody answered.
 */
function weigh(elsewhere: readonly Caution[], deeds: readonly Deed[], stored: readonly StoredEvent[]): Weighed {
  const passed = new Set(deeds.flatMap(({ draft }) => (draft.kind === 'caution-passed' ? [draft.payload.code] : [])))
  const drafts: EventDraft[] = []
  const cautions: Caution[] = []
  let state = foldJob(stored)
  const take = (draft: EventDraft) => {
    drafts.push(draft)
    state = reduceJob(state, { ...draft, storedAt: draft.happenedAt, by: '' } as JobEvent)
  }
  for (const { draft, seen, waited, knew } of deeds) {
    // deeds of the same hand that waited with it and were sent before it are no contradiction
    const unseen = stored.slice(seen).filter((e) => !knew.includes(e.id))
    const against = seen === undefined ? null : contradictionOf(unseen, draft)
    if (against && !waited) throw contradicted(draft, against, stored.slice(seen))
    if (against) {
      const { happenedAt } = draft
      take({ id: randomUUID(), kind: 'set-aside', happenedAt, payload: { eventId: draft.id, because: against.id } })
      take(draft)
      // two hands that did the very same agree: it is written down, and nobody is asked
      if (sameDeed(against, draft))
        take({ id: randomUUID(), kind: 'deed-chosen', happenedAt, payload: { eventId: draft.id, holds: false } })
      continue
    }
    for (const caution of unanswered(state, draft, passed, elsewhere)) {
      passed.add(caution.code)
      // a program shows nobody a question: what it went past is written down in its name
      if (seen === undefined || waited)
        take({
          id: randomUUID(),
          kind: 'caution-passed',
          happenedAt: draft.happenedAt,
          payload: { code: caution.code },
        })
      else cautions.push(caution)
    }
    take(draft)
  }
  return { drafts, cautions }
}

const sameDeed = (a: Pick<JobEvent, 'kind' | 'payload'>, b: Pick<JobEvent, 'kind' | 'payload'>): boolean =>
  a.kind === b.kind && canonicalJson(a.payload) === canonicalJson(b.payload)

/** @throws AppError `conflict` when a deed is about what happened since its hand had seen `seen` events of the job */
export function refuseContradicted(stored: readonly StoredEvent[], seen: number | undefined, draft: EventDraft): void {
  const against = seen === undefined ? null : contradictionOf(stored.slice(seen), draft)
  if (against) throw contradicted(draft, against, stored.slice(seen))
}

/** The answer to a deed with a request of its own: its place, and the job's events from what its hand had seen on. */
export async function recordedSince(
  db: Scope,
  jobId: string,
  seen: number | undefined,
  appended: Appended[],
): Promise<Recorded> {
  const from = seen ?? Math.min(...appended.map((a) => a.seq))
  return { appended, from, events: plain(await selectEvents(db, jobId, from - 1)), serverMs: Date.now() }
}

/** A pump is turned on that runs on another car of the shop. */
async function elsewhereCautions(
  db: Scope,
  jobId: string,
  stored: readonly StoredEvent[],
  deeds: readonly Deed[],
): Promise<Caution[]> {
  if (!deeds.some(({ draft }) => startsPump(draft))) return []
  const pump = foldJob(stored).opened.rig.equipment?.pump
  const other = (await pumpsRunning(db, jobId)).get(pump ?? '')
  return other === undefined ? [] : [pumpElsewhere(other)]
}

const startsPump = (draft: EventDraft): boolean =>
  draft.kind === 'part-set' && draft.payload.part === 'pump' && draft.payload.state === 'on'

const unanswered = (
  state: JobState,
  draft: EventDraft,
  passed: ReadonlySet<string>,
  elsewhere: readonly Caution[],
): Caution[] =>
  [...cautionsBefore(state, draft), ...(startsPump(draft) ? elsewhere : [])].filter((c) => !passed.has(c.code))

function contradicted(draft: EventDraft, against: JobEvent, unseen: readonly StoredEvent[]): AppError {
  const agoS = Math.max(0, (Date.now() - Date.parse(against.storedAt)) / 1000)
  const words = W.agoWhatYouPressedWas(against.by, lengthWords(agoS), eventWords(against))
  return new AppError('conflict', words, [{ path: draft.kind, reason: words }], undefined, {
    unseen: plain(unseen),
    contradicts: against.id,
  })
}
