import { W } from '@/core/language/screen/board'
import { timeTicks } from '../chart/scales'
import { useZone } from '../zone'
/** A span of wall time, ms, with the present in it. */
export type Axis = { fromMs: number; toMs: number; nowMs: number }

/** Place of a moment on the axis, 0 to 1, clamped. */
export const share = (axis: Axis, ms: number): number =>
  Math.min(1, Math.max(0, (ms - axis.fromMs) / (axis.toMs - axis.fromMs)))

const HOUR = 3600_000

/** Hours of the day and the present, above the rows. */
export function TimeAxis({ axis, clock }: { axis: Axis; clock: (ms: number) => string }) {
  const hours = timeTicks(axis.fromMs, axis.toMs, (axis.toMs - axis.fromMs) / HOUR, useZone())
  const now = share(axis, axis.nowMs)
  // a time of twelve hours is longer
  const clear = clock(axis.nowMs).length > 5 ? 0.14 : 0.06
  return (
    <div className="relative h-7 text-small text-ink-2 max-lg:hidden" aria-hidden="true" suppressHydrationWarning>
      {hours
        .filter(
          (t) =>
            (share(axis, t) > now ? now + 0.06 < share(axis, t) : now - share(axis, t) > clear) &&
            share(axis, t) < 0.96,
        )
        .map((t) => (
          <span
            key={t}
            className="absolute bottom-0 border-l border-rule pl-1.5"
            style={{ left: `${share(axis, t) * 100}%` }}
          >
            {clock(t)}
          </span>
        ))}
      <b
        className="absolute bottom-0 -translate-x-1/2 rounded-sm bg-ink px-2 font-semibold text-ground"
        style={{ left: `${now * 100}%` }}
      >
        {W.now4(clock(axis.nowMs))}
      </b>
    </div>
  )
}
