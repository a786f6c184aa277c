import type { HoldReading } from '@/core/hold/samples'
import type { Queryable } from '../db/pool'
import type { JobPulse } from '../jobs/job-rows'
import { selectChannelAfter } from '../readings/history'
import { spanOf } from '../readings/span'

/** Readings of one wait of a car, a pull or a hold: since when, and up to which reading they are here. */
export type Kept = { sinceAt: string; seq: number; readings: HoldReading[] }

type Gauge = 'vacuum' | 'vacuum_pump'

/** What is kept of each car between two looks, so that a look asks only for what is new. */
export class KeptReadings {
  private readonly kept = new Map<string, Kept>()
  private readonly gauge: Gauge

  /** @param gauge - whose readings are kept; of two on a car the far one is `vacuum` */
  constructor(gauge: Gauge = 'vacuum') {
    this.gauge = gauge
  }

  /** Forgets the cars that are not among these. */
  only(running: ReadonlySet<string>): void {
    for (const id of this.kept.keys()) if (!running.has(id)) this.kept.delete(id)
  }

  /** What its gauge read since a moment of job time, up to its last reading. */
  async upTo(db: Queryable, jobId: string, pulse: JobPulse, sinceAt: string): Promise<Kept> {
    const known = this.kept.get(jobId)
    const kept = known?.sinceAt === sinceAt ? known : { sinceAt, seq: 0, readings: [] }
    const since = new Date(Date.parse(sinceAt))
    kept.readings.push(...(await selectChannelAfter(db, spanOf(pulse), this.gauge, since, kept.seq, pulse.readingSeq)))
    kept.seq = pulse.readingSeq
    this.kept.set(jobId, kept)
    return kept
  }
}
