import { holdContext } from '@/core/hold/context'
import { type Agreement, historyAgainst } from '@/core/hold/history'
import { lossOf } from '@/core/hold/loss'
import { holdSamples } from '@/core/hold/samples'
import type { HoldResult } from '@/core/hold/types'
import type { HoldEnded } from '@/core/job/events'
import { foldJob } from '@/core/job/reduce'
import { holdStage } from '@/core/job/stage-now'
import { currentHold, type JobState } from '@/core/job/state'
import { RULE_NAMES, type RuleSaid } from '@/core/schools/rules'
import type { Author } from '../accounts/author'
import { inTransaction, type Scope } from '../db/scope'
import { AppError, notFound } from '../errors'
import { airOfHold } from '../readings/air-of-hold'
import { selectChannelAfter } from '../readings/history'
import { selectSpan, within } from '../readings/span'
import { judgeApart } from '../watch/judge-thread'
import { type Appended, appendEvents } from './append-events'
import { jobNow } from './job-now'
import { selectEvents, selectJobForUpdate } from './job-rows'
import { refuseContradicted } from './record-deeds'

/**
 * Ends the running hold of a job and judges it on all readings since isolation.
 * @param eventId - id of the event that will hold the verdict; the same twice ends it once
 * @param atMs - job time it ends, ms; now when left out
 * @param seen - how many events the hand had seen; without it the job as it stands counts
 * @throws AppError `conflict` when the job is not holding, or somebody ended this hold meanwhile
 */
export async function endHold(
  db: Scope & { user: Author },
  jobId: string,
  eventId: string,
  { atMs, seen }: { atMs?: number; seen?: number | undefined } = {},
): Promise<Appended[]> {
  const events = await selectEvents(db, jobId)
  if (events.length === 0) throw notFound('this job')
  const repeated = events.find((e) => e.id === eventId)
  if (repeated) return [{ id: eventId, seq: repeated.seq, repeated: true }]
  const state = foldJob(events)
  const hold = currentHold(state)
  if (state.step !== 'hold' || !hold || hold.ended) throw new AppError('conflict', 'This car is not holding now.')
  const from = Date.parse(hold.isolatedAt)
  // a clock that was set back makes no hold of less than nothing
  const to = Math.max(from, atMs ?? (await jobNow(db, jobId))?.ms ?? from)
  const readings = await selectChannelAfter(
    db,
    within(await selectSpan(db, jobId), new Date(from), new Date(to)),
    'vacuum',
    new Date(from),
    0,
    Number.MAX_SAFE_INTEGER,
  )
  const air = await airOfHold(db, jobId, { fromMs: from, toMs: to }, state.opened.place.barometerPa)
  const samples = holdSamples(readings, from, to, air)
  const { result: judged, rules } = await judgeApart(samples, holdContext(state, hold.plannedMinutes, hold, air.read))
  const payload = {
    ...endedOf(judged, (to - from) / 1000, samples.length, historyOf(state, judged)),
    ...ruleOf(state, rules),
  }
  const happenedAt = new Date(Math.round(to)).toISOString()
  const draft = { id: eventId, kind: 'hold-ended' as const, happenedAt, payload }
  return inTransaction(db, async (tx) => {
    await selectJobForUpdate(tx, jobId)
    refuseContradicted(await selectEvents(tx, jobId), seen, draft)
    return appendEvents(tx, db.user, jobId, [draft])
  })
}

/** What the procedure's own rule says, where one decides. */
function ruleOf(state: JobState, rules: readonly RuleSaid[]): Pick<HoldEnded, 'rule'> {
  const accept = holdStage(state)?.accept
  if (accept?.by !== 'rule') return {}
  const said = rules.find((r) => r.id === accept.rule)
  return { rule: { id: accept.rule, words: RULE_NAMES[accept.rule], says: said?.says ?? 'not yet' } }
}

/** What the car lost before, set against what was found; empty without the figures. */
function historyOf(state: JobState, judged: HoldResult): Agreement[] {
  const loss = lossOf(state)
  const agreement = historyAgainst(judged, loss?.grams ?? null, loss?.days ?? null)
  return agreement ? [agreement] : []
}

function endedOf(judged: HoldResult, heldS: number, samples: number, more: Agreement[]): HoldEnded {
  return {
    verdict: judged.verdict,
    leak: judged.probability.leak,
    damp: judged.probability.damp,
    risePaS: judged.sustainedRisePaS?.value ?? null,
    provesGramsPerYear: judged.detectionLimitGramsPerYear?.high ?? null,
    leakGramsPerYear: judged.leakGramsPerYear?.high ?? null,
    heldS,
    samples,
    reasons: [...judged.reasons, ...more.map((m) => m.words)],
    codes: judged.codes,
    findings: [...judged.findings, ...more.map((m) => m.finding)],
  }
}
