import { type BenchAction, BenchRun, type BenchSecond } from '@/core/bench/run'
import { toStored } from '@/core/units/channel'
import { STANDARD_ATMOSPHERE_PA } from '@/core/units/constants'
import { inTransaction, type Scope } from '../db/scope'
import { selectJob } from '../jobs/job-rows'
import { benchInstrument } from '../jobs/open-job'
import { type NewReading, storeReadings } from '../readings/store-readings'

/** Plays a demo car's bench in the loader and stores its readings by the one end all readings take. */
export class BenchPlayer {
  readonly startMs: number
  private readonly db: Scope
  private readonly jobId: string
  private run: BenchRun | undefined
  private actions: readonly BenchAction[] = []
  private barometerPa = STANDARD_ATMOSPHERE_PA

  constructor(db: Scope, jobId: string, startMs: number) {
    this.db = db
    this.jobId = jobId
    this.startMs = startMs
  }

  /** All actions so far; those already applied are not applied again. */
  act(actions: readonly BenchAction[]): void {
    this.actions = actions
  }

  get scaleG(): number | undefined {
    return this.run?.container && this.run.scale.shown(this.run.second, this.run.container.grossG)
  }

  async playTo(untilMs: number): Promise<void> {
    const run = await this.current()
    await this.store(run.runTo(this.actions, Math.floor((untilMs - this.startMs) / 1000)))
  }

  /**
   * Plays until the scale shows `stopG` or `latestMs`; asks for the engine when the flow has faded. Returns when it
   * stopped.
   */
  async playUntilScale(stopG: number, latestMs: number, engineOn: (ms: number) => Promise<void>): Promise<number> {
    let asked = false
    while (this.nowMs() < latestMs) {
      const before = (await this.current()).container?.grossG ?? 0
      await this.playTo(this.nowMs() + 5000)
      const gross = this.run?.container?.grossG ?? 0
      if (gross <= stopG) break
      if (!asked && this.run?.rig.engine === 'off' && before - gross < 0.4) {
        asked = true
        await engineOn(this.nowMs())
      }
    }
    return this.nowMs()
  }

  private nowMs(): number {
    return this.startMs + (this.run?.second ?? 0) * 1000
  }

  private async current(): Promise<BenchRun> {
    if (this.run) return this.run
    const job = await selectJob(this.db, this.jobId)
    if (!job?.bench) throw new RangeError('a demo car is on the bench')
    this.barometerPa = job.barometerPa
    this.run = new BenchRun(job.bench.truth, job.bench.scaleStepG)
    return this.run
  }

  private async store(seconds: readonly BenchSecond[]): Promise<void> {
    const readings = seconds.flatMap(({ second, readings: shown }) =>
      shown.map(
        (r): NewReading => ({
          channel: r.channel,
          value: toStored(r.channel, r.value, r.unit, this.barometerPa),
          sentValue: r.value,
          sentUnit: r.unit,
          instrumentId: benchInstrument(this.jobId),
          deviceSeq: second,
          measuredAt: new Date(this.startMs + second * 1000),
          byAccount: null,
          note: null,
        }),
      ),
    )
    for (let i = 0; i < readings.length; i += 2000) {
      await inTransaction(this.db, (tx) => storeReadings(tx, this.jobId, readings.slice(i, i + 2000)))
    }
  }
}
