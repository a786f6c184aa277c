import * as z from 'zod'
import { GAUGE_STATES, SCALE_STATES } from '@/core/bench/instruments'
import { Scenario } from '@/core/bench/truth'
import { Id } from '@/core/entry/id'
import { verbatim } from '@/core/entry/text'
import { clockFactor, jobTimeMs } from '@/core/job/clock'
import { W } from '@/core/language/server/jobs'
import type { UserScope } from '../accounts/user-scope'
import { inTransaction } from '../db/scope'
import { AppError, notFound } from '../errors'
import { appendEvents } from '../jobs/append-events'
import { insertClockSegment, selectClock, selectJobForUpdate } from '../jobs/job-rows'
import { scenarioNamed } from './scenarios'
import type { BenchSetting } from './stored-bench'

/** What the job page may do to its bench. */
export const BenchControl = z.discriminatedUnion('action', [
  z.strictObject({ id: Id, action: z.literal('start') }),
  z.strictObject({ id: Id, action: z.literal('stop') }),
  z.strictObject({ id: Id, action: z.literal('speed'), factor: z.number().min(1).max(600) }),
  z.strictObject({
    id: Id,
    action: z.literal('reset'),
    leakPaM3S: z.number().min(0).max(0.01),
    waterG: z.number().min(0).max(50),
  }),
  z.strictObject({ id: Id, action: z.literal('scenario'), scenario: Scenario }),
  z.strictObject({ id: Id, action: z.literal('named-scenario'), name: verbatim(80, 0) }),
  z.strictObject({ id: Id, action: z.literal('gauge'), state: z.enum(GAUGE_STATES) }),
  z.strictObject({ id: Id, action: z.literal('scale'), state: z.enum(SCALE_STATES) }),
])
export type BenchControl = z.infer<typeof BenchControl>

/**
 * Starts, stops, resets a job's bench or changes the speed of its clock; recorded in the job like any other deed.
 * @throws AppError `not-allowed` for a job with a real car: its clock is the wall's
 */
export async function controlBench(db: UserScope, jobId: string, asked: BenchControl): Promise<void> {
  const control =
    asked.action === 'named-scenario'
      ? { id: asked.id, action: 'scenario' as const, scenario: await scenarioNamed(asked.name) }
      : asked
  await inTransaction(db, async (tx) => {
    const job = await selectJobForUpdate(tx, jobId)
    if (!job) throw notFound(W.thisJob)
    if (!job.simulated || !job.bench) throw new AppError('not-allowed', W.onlyACarOnThe)
    const clock = await selectClock(tx, jobId)
    const wallMs = Date.now()
    const jobMs = Math.round(jobTimeMs(clock, wallMs))
    const factor = control.action === 'speed' ? control.factor : clockFactor(clock)
    const [appended] = await appendEvents(tx, db.user, jobId, [
      {
        id: control.id,
        kind: 'bench-set',
        happenedAt: new Date(jobMs).toISOString(),
        payload: { action: control.action, factor },
      },
    ])
    if (appended?.repeated) return
    if (control.action === 'speed' && factor !== clockFactor(clock))
      await insertClockSegment(tx, jobId, { wallMs, jobMs, factor })
    const set = settingOf(control, jobMs)
    if (set)
      await tx.query('update job set bench = $2 where id = $1 and shop_id = $3', [
        jobId,
        JSON.stringify({ ...job.bench, settings: [...(job.bench.settings ?? []), set] }),
        tx.shopId,
      ])
  })
}

/** What a control changes on the bench from a moment on; null for what only its clock or its switch knows. */
function settingOf(control: Exclude<BenchControl, { action: 'named-scenario' }>, atMs: number): BenchSetting | null {
  switch (control.action) {
    case 'reset':
      return { atMs, kind: 'reset', leakPaM3S: control.leakPaM3S, waterG: control.waterG }
    case 'scenario':
      return { atMs, kind: 'scenario', scenario: control.scenario }
    case 'gauge':
      return { atMs, kind: 'gauge', state: control.state }
    case 'scale':
      return { atMs, kind: 'scale', state: control.state }
    default:
      return null
  }
}
