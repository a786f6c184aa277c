import type { BenchAction } from '@/core/bench/run'
import type { BenchTruth } from '@/core/bench/truth'
import { tareOf } from '@/core/charge/plan'
import type { ClockSegment } from '@/core/job/clock'
import { foldJob } from '@/core/job/reduce'
import { isAway } from '../db/away'
import type { Scope } from '../db/scope'
import { type StoredEvent, selectClocks, selectEvents } from '../jobs/job-rows'
import { benchInstrument } from '../jobs/open-job'
import { selectSpan } from '../readings/span'
import type { StoredBench } from './stored-bench'

/** Everything the bench process needs to play one car: hidden truth, clock, and what hands have done. */
export type BenchJob = {
  jobId: string
  instrument: string
  running: boolean
  truth: BenchTruth
  scaleStepG: number
  clock: ClockSegment[]
  actions: BenchAction[]
  /** the last second stored, so that a bench that died goes on without a gap; -1 for none */
  lastSecond: number
  /** an earlier bench said that it cannot be played */
  troubled: boolean
  serverMs: number
}

/**
 * The simulated jobs that are open, for the bench process.
 * @param started - jobs it plays already and so need no `lastSecond` looked up
 */
export async function benchFeed(
  db: Scope,
  started: readonly string[],
): Promise<(BenchJob | { jobId: string; trouble: string })[]> {
  const { rows } = await db.query<{ id: string; bench: StoredBench; troubled: boolean }>(
    `select id, bench, bench_trouble is not null as troubled from job where shop_id = $1 and simulated and bench is
      not null and signed_at is null order by created_at desc limit 40`,
    [db.shopId],
  )
  const clocks = await selectClocks(
    db,
    rows.map((r) => r.id),
  )
  return Promise.all(
    rows.map((row) =>
      benchJob(db, row.id, row.bench, row.troubled, clocks.get(row.id) ?? [], started.includes(row.id)).catch(
        (error: Error) => {
          // a database that is away is no car's fault
          if (isAway(error)) throw error
          return { jobId: row.id, trouble: error.message }
        },
      ),
    ),
  )
}

async function benchJob(
  db: Scope,
  jobId: string,
  bench: StoredBench,
  troubled: boolean,
  clock: ClockSegment[],
  started: boolean,
): Promise<BenchJob> {
  const events = await selectEvents(db, jobId)
  const state = foldJob(events)
  const instrument = benchInstrument(jobId)
  const startMs = clock[0]?.jobMs ?? 0
  const last = started ? null : await lastReadingMs(db, jobId, instrument)
  return {
    jobId,
    instrument,
    running: state.benchRunning,
    truth: bench.truth,
    scaleStepG: bench.scaleStepG,
    clock,
    actions: actionsOf(events, bench, startMs),
    troubled,
    lastSecond: last === null ? -1 : Math.round((last - startMs) / 1000),
    serverMs: Date.now(),
  }
}

async function lastReadingMs(db: Scope, jobId: string, instrument: string): Promise<number | null> {
  const span = await selectSpan(db, jobId)
  if (!span) return null
  const { rows } = await db.query<{ last: number | null }>(
    `select (extract(epoch from max(measured_at)) * 1000)::float8 as last
       from reading where job_id = $1 and measured_at >= $3 and measured_at <= $4 and instrument_id = $2`,
    [jobId, instrument, span.from, span.to],
  )
  return rows[0]?.last ?? null
}

/** What hands did, as the bench plays it; seconds since `startMs`, the job's first moment in ms. */
export function actionsOf(events: readonly StoredEvent[], bench: StoredBench, startMs: number): BenchAction[] {
  const second = (ms: number) => Math.max(0, Math.floor((ms - startMs) / 1000))
  const planned = new Map(
    events.flatMap((e) => (e.kind === 'charge-planned' ? e.payload.containers.map((c) => [c.id, c] as const) : [])),
  )
  let charged = false
  const hands = events.flatMap((event): BenchAction[] => {
    const at = second(Date.parse(event.happenedAt))
    if (event.kind === 'part-set')
      return [{ second: at, kind: 'turn', part: event.payload.part, state: event.payload.state }]
    if (event.kind === 'container-warmed')
      return [{ second: at, kind: 'container-warmed', celsius: event.payload.celsius }]
    if (event.kind === 'nitrogen-in') return [{ second: at, kind: 'nitrogen-in', paG: event.payload.pressurePaG }]
    if (event.kind === 'nitrogen-out') return [{ second: at, kind: 'nitrogen-out' }]
    if (event.kind === 'leak-found') return [{ second: at, kind: 'mended', at: event.payload.at }]
    if (event.kind === 'recovered' && charged) {
      charged = false
      return [{ second: at, kind: 'opened-again' }]
    }
    if (event.kind === 'container-ended') {
      charged = true
      return [{ second: at, kind: 'container-off' }]
    }
    if (event.kind === 'leave-tapped' && event.payload.item === 'engine-off' && event.payload.done)
      return [{ second: at, kind: 'turn', part: 'engine', state: 'off' }]
    if (event.kind !== 'container-started') return []
    const container = planned.get(event.payload.id)
    return [
      { second: at, kind: 'turn', part: 'centre-hose', state: 'container' },
      { second: at, kind: 'container-on', grossG: event.payload.grossG, tareG: container ? tareOf(container) : 0 },
    ]
  })
  const settings = (bench.settings ?? []).map(({ atMs, ...what }): BenchAction => ({ second: second(atMs), ...what }))
  return [...hands, ...settings].sort((a, b) => a.second - b.second)
}
