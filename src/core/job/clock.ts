import { W } from '../language/job/clock'
/** From `wallMs` on, job time runs from `jobMs` at `factor` times the wall. Both ms since the epoch. */
export type ClockSegment = { wallMs: number; jobMs: number; factor: number }

/** Job time of a wall moment, ms; `segments` in order, at least one. Before the first the first one counts. */
export function jobTimeMs(segments: readonly ClockSegment[], wallMs: number): number {
  const segment = lastWhere(segments, (s) => s.wallMs <= wallMs)
  return segment.jobMs + segment.factor * (wallMs - segment.wallMs)
}

/** Wall time at which the job's clock shows `jobMs`, ms: the inverse of `jobTimeMs`. */
export function wallTimeMs(segments: readonly ClockSegment[], jobMs: number): number {
  const segment = lastWhere(segments, (s) => s.jobMs <= jobMs)
  return segment.wallMs + (jobMs - segment.jobMs) / segment.factor
}

/** How fast the clock runs now, times the wall. */
export const clockFactor = (segments: readonly ClockSegment[]): number =>
  (segments[segments.length - 1] as ClockSegment).factor

function lastWhere(segments: readonly ClockSegment[], test: (s: ClockSegment) => boolean): ClockSegment {
  const first = segments[0]
  if (!first) throw new RangeError(W.aJobClockHasAt)
  for (let i = segments.length - 1; i >= 0; i--) {
    const segment = segments[i] as ClockSegment
    if (test(segment)) return segment
  }
  return first
}
