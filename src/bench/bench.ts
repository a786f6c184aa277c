import { type ClockSegment, jobTimeMs, wallTimeMs } from '@/core/procedure/clock'
import type { BenchTruth } from '@/core/rig/bench-car'
import { type BenchAction, type BenchRun, type BenchSecond, runBench, startBench } from '@/core/rig/bench-run'

/** A car as the server's feed describes it (the bench speaks to the server as any device would, so it names its own types). */
type FeedJob = {
  jobId: string
  instrument: string
  running: boolean
  truth: BenchTruth
  scaleStepG: number
  clock: ClockSegment[]
  actions: BenchAction[]
  lastSecond: number
  serverMs: number
}

/** The bench plays this far behind the wall, ms, so that a valve turned just now is turned in time. */
const BEHIND_MS = 300
/** Readings in one request at most; the ingest takes 600. */
const BATCH = 500
/** A bench left behind catches up at most this much in one tick, s of job time. */
const MOST_SECONDS = 3600

/** The simulated shop: one run per car, each a pure function of truth and actions. */
export class Bench {
  private readonly runs = new Map<string, { run: BenchRun; sentTo: number }>()
  private readonly address: string
  private readonly token: string

  constructor(address: string, token: string) {
    this.address = address
    this.token = token
  }

  /** Looks what hands have done, runs every car to now and sends what its instruments show. */
  async tick(): Promise<void> {
    const started = [...this.runs.keys()].join(',')
    const { jobs } = (await this.ask(`/api/bench/feed?started=${started}`)) as { jobs: FeedJob[] }
    for (const job of jobs) await this.play(job)
    const open = new Set(jobs.map((job) => job.jobId))
    for (const id of this.runs.keys()) if (!open.has(id)) this.runs.delete(id)
  }

  private async play(job: FeedJob): Promise<void> {
    const startMs = job.clock[0]?.jobMs ?? 0
    const nowSecond = Math.floor((jobTimeMs(job.clock, job.serverMs - BEHIND_MS) - startMs) / 1000)
    let { run, sentTo } = this.runs.get(job.jobId) ?? { run: startBench(job.truth, job.scaleStepG), sentTo: job.lastSecond }
    while (run.second < nowSecond) {
      const played = runBench(run, job.actions, Math.min(nowSecond, run.second + MOST_SECONDS), sentTo)
      run = played.run
      // a bench that is switched off goes on evacuating or leaking, only its instruments are silent
      if (job.running) await this.send(job, startMs, played.readings)
      sentTo = Math.max(sentTo, run.second)
      this.runs.set(job.jobId, { run, sentTo })
    }
  }

  private async send(job: FeedJob, startMs: number, seconds: readonly BenchSecond[]): Promise<void> {
    const lines = seconds.flatMap(({ second, readings }) => {
      const at = new Date(Math.round(wallTimeMs(job.clock, startMs + second * 1000))).toISOString()
      return readings.map((reading) => JSON.stringify({ instrument: job.instrument, seq: second, at, ...reading }))
    })
    for (let i = 0; i < lines.length; i += BATCH) await this.ask('/api/ingest', lines.slice(i, i + BATCH).join('\n'))
  }

  private async ask(path: string, body?: string): Promise<unknown> {
    const response = await fetch(this.address + path, {
      method: body === undefined ? 'GET' : 'POST',
      headers: { authorization: `Bearer ${this.token}`, 'content-type': 'application/x-ndjson' },
      ...(body !== undefined && { body }),
      signal: AbortSignal.timeout(10_000),
    })
    if (!response.ok) throw new Error(`${path}: ${response.status} ${(await response.text()).slice(0, 200)}`)
    return response.json()
  }
}
