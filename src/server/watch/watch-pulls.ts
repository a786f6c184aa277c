import { foldJob } from '@/core/job/reduce'
import { currentPull } from '@/core/job/state'
import { asForecast, pullAsked } from '@/core/pull/forecast'
import { database } from '../db/pool'
import { type Scope, scopeOf } from '../db/scope'
import { jobNow } from '../jobs/job-now'
import { selectEvents, selectPulse } from '../jobs/job-rows'
import { notifyChange } from '../jobs/notify'
import { log } from '../log'
import { upsertForecast } from './forecast-rows'
import { KeptReadings } from './kept-readings'
import { standsApart } from './pull-thread'

/** One car's pull is looked at no oftener than this while it is read, and so often while nothing new was, wall ms. */
const LOOK_MS = 10_000
const UNREAD_LOOK_MS = 300_000

/** After a look so many times its length is rested: forecasts take a quarter of one core at most. */
const RESTS = 3

type Looked = { seq: number; events: number; wallMs: number }
type Running = { id: string; shopId: number; events: number; seq: number }

/** Says of every running pull when it ends, whoever looks: one forecast for pages, board and alarms. */
export class PullWatch {
  private readonly kept = new KeptReadings()
  private readonly keptAtPump = new KeptReadings('vacuum_pump')
  private readonly looked = new Map<string, Looked>()
  private readonly rests: number

  constructor(rests = RESTS) {
    this.rests = rests
  }

  /** A look at the running pull that is due for one the longest. @returns how many were looked at */
  async round(wallMs = Date.now()): Promise<number> {
    const { rows } = await database().query<Running>(
      `select id, shop_id as "shopId", event_count as events, reading_seq::float8 as seq from job
        where signed_at is null and summary ->> 'step' = 'pull' and summary ->> 'comeBackAt' is not null`,
    )
    const running = new Set(rows.map((r) => r.id))
    this.kept.only(running)
    this.keptAtPump.only(running)
    for (const id of this.looked.keys()) if (!running.has(id)) this.looked.delete(id)
    let done = 0
    // one at a time, the one that waits the longest: a pull that has just begun waits for no other
    const last = (r: Running) => this.looked.get(r.id)?.wallMs ?? 0
    const due = rows.filter((r) => this.isDue(r, wallMs)).sort((a, b) => last(a) - last(b))
    for (const row of due.slice(0, 1)) {
      this.looked.set(row.id, { seq: row.seq, events: row.events, wallMs })
      const begun = Date.now()
      // one car's failure is its own
      await this.look(scopeOf(row.shopId), row.id).then(
        (said) => {
          done += said ? 1 : 0
        },
        (error: Error) => log.warn({ err: error, job: row.id }, 'the end of a running pull could not be forecast'),
      )
      // many pulls are looked at more seldom, rather than take the machine from those who wait for a page
      await new Promise((rested) => setTimeout(rested, this.rests * (Date.now() - begun)))
    }
    return done
  }

  private isDue({ id, seq, events }: Running, wallMs: number): boolean {
    const before = this.looked.get(id)
    if (!before || before.events !== events) return true
    return wallMs - before.wallMs >= (before.seq === seq ? UNREAD_LOOK_MS : LOOK_MS)
  }

  private async look(db: Scope, jobId: string): Promise<boolean> {
    const state = foldJob(await selectEvents(db, jobId))
    const pull = currentPull(state)
    const pulse = await selectPulse(db, jobId)
    const now = await jobNow(db, jobId)
    if (state.step !== 'pull' || !pull || pull.endedAt || !pulse || !now) return false
    const { readings } = await this.kept.upTo(db, jobId, pulse, pull.startedAt)
    const atPump = await this.keptAtPump.upTo(db, jobId, pulse, pull.startedAt)
    const stands = await standsApart({
      key: `${jobId} ${state.pulls.length}`,
      ...pullAsked(state, pull, readings, now.ms, atPump.readings),
    })
    await upsertForecast(db, jobId, asForecast(stands, state.pulls.length - 1, now.ms))
    await notifyChange(db, { job: jobId, judged: true })
    return true
  }
}
