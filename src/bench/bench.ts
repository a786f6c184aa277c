import { type BenchAction, BenchRun, type BenchSecond } from '@/core/bench/run'
import type { BenchTruth } from '@/core/bench/truth'
import { type ClockSegment, jobTimeMs, wallTimeMs } from '@/core/job/clock'

/**
 * A car as the server's feed describes it (the bench speaks to the server as any device would, so it names its own
 * types).
 */
type PlayableJob = {
  jobId: string
  instrument: string
  running: boolean
  truth: BenchTruth
  scaleStepG: number
  clock: ClockSegment[]
  actions: BenchAction[]
  lastSecond: number
  /** an earlier bench said that it cannot be played */
  troubled?: boolean
  serverMs: number
}
/** The server does not answer: no car's fault, and nothing to be told of one. */
class Away extends Error {}

/** A car whose log the server itself could not read stands there with its reason. */
type FeedJob = PlayableJob | { jobId: string; trouble: string }

/** The bench plays this far behind the wall, ms, so that a valve turned just now is turned in time. */
const BEHIND_MS = 300
/** Readings in one request at most; the ingest takes 600. */
const BATCH = 500
/** A car that was left behind catches up in pieces of this much, s of job time. */
const PIECE_S = 600
/** No car keeps the others waiting longer than this in one tick, ms: what it lacks then, it plays in the next. */
const SLICE_MS = 100

type Played = { run: BenchRun; truth: string; sentTo: number; unsent: string[] }

/** A car that failed is tried again after so long, ms: what it needs may have been set right meanwhile. */
const REST_MS = 10_000

/** The simulated shop: one run per car, a function of truth and actions alone. */
export class Bench {
  private readonly played = new Map<string, Played>()
  /** cars that failed: what was told of each, and when it is tried again, ms */
  private readonly failed = new Map<string, { words: string; againMs: number }>()
  /** cars this bench has played */
  private readonly greeted = new Set<string>()
  private readonly address: string
  private readonly token: string

  constructor(address: string, token: string) {
    this.address = address
    this.token = token
  }

  /** Looks what hands have done, runs every car to now and sends what its instruments show. */
  async tick(): Promise<void> {
    const started = [...this.played.keys()].join(',')
    const { jobs } = (await this.ask(`/api/bench/feed?started=${started}`)) as { jobs: FeedJob[] }
    for (const job of jobs) await this.playApart(job)
    const open = new Set(jobs.map((job) => job.jobId))
    for (const id of this.played.keys()) if (!open.has(id)) this.played.delete(id)
  }

  /** One car's failure is its own: it is told to the server, which names it on the car's page, and the others go on. */
  private async playApart(job: FeedJob): Promise<void> {
    const before = this.failed.get(job.jobId)
    if (before && Date.now() < before.againMs) return
    try {
      if ('trouble' in job) throw new Error(job.trouble)
      await this.play(job)
      // what an earlier bench said is taken back once, when this one plays the car for the first time
      const first = !this.greeted.has(job.jobId)
      this.greeted.add(job.jobId)
      if (before || (first && job.troubled)) await this.tell(job.jobId, null)
      this.failed.delete(job.jobId)
    } catch (error) {
      if (error instanceof Away) throw error
      const words = (error as Error).message.slice(0, 300)
      // a car that could not be played is begun anew from what the server has
      this.played.delete(job.jobId)
      this.failed.set(job.jobId, { words, againMs: Date.now() + REST_MS })
      if (before?.words !== words) await this.tell(job.jobId, words)
    }
  }

  private async tell(jobId: string, words: string | null): Promise<void> {
    // a server that does not hear it now is told at the next failure
    await this.ask('/api/bench/trouble', JSON.stringify({ jobId, words }), 'application/json').catch((error: Error) => {
      this.failed.delete(jobId)
      process.stderr.write(`bench: ${error.message}\n`)
    })
  }

  private async play(job: PlayableJob): Promise<void> {
    const startMs = job.clock[0]?.jobMs ?? 0
    const nowSecond = Math.floor((jobTimeMs(job.clock, job.serverMs - BEHIND_MS) - startMs) / 1000)
    const truth = JSON.stringify([job.truth, job.scaleStepG])
    const known = this.played.get(job.jobId)
    // another rig was taken: it is played again from the start, and only what is new is sent
    const car =
      known?.truth === truth
        ? known
        : {
            run: new BenchRun(job.truth, job.scaleStepG),
            truth,
            sentTo: known?.sentTo ?? job.lastSecond,
            unsent: known?.unsent ?? [],
          }
    this.played.set(job.jobId, car)
    await this.drain(car)
    const until = performance.now() + SLICE_MS
    while (car.run.second < nowSecond && performance.now() < until) {
      const seconds = car.run.runTo(job.actions, Math.min(nowSecond, car.run.second + PIECE_S), car.sentTo)
      car.sentTo = Math.max(car.sentTo, car.run.second)
      // a bench that is switched off goes on evacuating or leaking, only its instruments are silent
      if (job.running) car.unsent.push(...linesOf(job, startMs, seconds))
      await this.drain(car)
    }
  }

  /** Sends what was not acknowledged yet, oldest first; what fails stays and is sent again. */
  private async drain(car: Played): Promise<void> {
    while (car.unsent.length > 0) {
      await this.ask('/api/ingest', car.unsent.slice(0, BATCH).join('\n'))
      car.unsent.splice(0, BATCH)
    }
  }

  private async ask(path: string, body?: string, type = 'application/x-ndjson'): Promise<unknown> {
    const response = await fetch(this.address + path, {
      method: body === undefined ? 'GET' : 'POST',
      headers: { authorization: `Bearer ${this.token}`, 'content-type': type },
      ...(body !== undefined && { body }),
      signal: AbortSignal.timeout(10_000),
    }).catch((cause: Error) => {
      throw new Away(`${path}: ${cause.message}`, { cause })
    })
    if (response.status === 503) throw new Away(`${path}: the server is away`)
    if (!response.ok) throw new Error(`${path}: ${response.status} ${(await response.text()).slice(0, 200)}`)
    return response.json()
  }
}

function linesOf(job: PlayableJob, startMs: number, seconds: readonly BenchSecond[]): string[] {
  return seconds.flatMap(({ second, readings }) => {
    const at = new Date(Math.round(wallTimeMs(job.clock, startMs + second * 1000))).toISOString()
    return readings.map((reading) => JSON.stringify({ instrument: job.instrument, seq: second, at, ...reading }))
  })
}
