import { HOUR_MS } from '@/core/units/constants'

/** A part that dies now and then is started at once so many times an hour; after that the pauses double. */
const AT_ONCE = 5
const SHORTEST_MS = 300
const LONGEST_MS = 15_000

/**
 * Deaths of one part within the last hour, and how long to wait before the next start. The wall clock is passed in, ms.
 */
export class Deaths {
  private times: number[] = []

  /** Notes a death, or a start that failed. @returns the pause before the next start, ms */
  note(nowMs: number): number {
    this.times = [...this.times.filter((t) => t > nowMs - HOUR_MS && t <= nowMs), nowMs]
    return Math.min(LONGEST_MS, SHORTEST_MS * 2 ** Math.max(0, this.times.length - AT_ONCE))
  }

  get count(): number {
    return this.times.length
  }
}
