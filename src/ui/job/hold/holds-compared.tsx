'use client'

import dynamic from 'next/dynamic'
import type { Hold, JobState } from '@/core/job/state'
import { codeWords } from '@/core/language/codes'
import { W } from '@/core/language/screen/job-hold'
import type { CurvePoint } from '@/core/views'
import { useSay } from '../../units'

type Props = { state: JobState; vacuum: readonly CurvePoint[]; nowMs: number }

// the chart library comes when there is something to draw with it
const RisesChart = dynamic(() => import('../../chart/rises-chart'), {
  ssr: false,
  loading: () => <div className="h-[230px]" />,
})

/**
 * Every hold of this car laid over each other from its isolation on: water shrinks from one to the next, a leak does
 * not.
 */
export function HoldsCompared({ state, vacuum, nowMs }: Props) {
  const say = useSay()
  const holds = state.holds
    .map((hold, i) => ({
      name: W.hold(i + 1),
      verdict: hold.ended ? codeWords(hold.ended.verdict) : hold.left ? W.leftUnjudged : codeWords('running'),
      points: risesOf(hold, vacuum, nowMs),
    }))
    .filter((h) => h.points.length > 1)
  if (holds.length < 2) return null
  const said = holds
    .map(({ name, verdict, points }) =>
      W.roseInMin(name, say.moved(points.at(-1)?.value ?? 0), Math.round((points.at(-1)?.at ?? 0) / 60), verdict),
    )
    .join('; ')
  return (
    <div className="mt-3 border-t border-rule pt-2">
      <h3 className="text-small font-semibold">{W.riseSinceIsolationHoldBy}</h3>
      <div role="img" aria-label={said}>
        <RisesChart holds={holds} unit={say.units.vacuum} />
      </div>
      <p className="text-note text-ink-2">
        {W.aboveTheFirstReading2(say.units.vacuum === 'inHgV' ? W.inhg2 : say.units.vacuum)}
      </p>
    </div>
  )
}

/** Seconds since isolation and Pa above the first reading. */
function risesOf(hold: Hold, vacuum: readonly CurvePoint[], nowMs: number): CurvePoint[] {
  const from = Date.parse(hold.isolatedAt)
  const endedAt = hold.ended?.at ?? hold.left?.at
  const to = endedAt === undefined ? nowMs : Date.parse(endedAt)
  const own = vacuum.filter((p) => p.at >= from && p.at <= to)
  const first = own[0]?.value ?? 0
  return own.map((p) => ({ at: (p.at - from) / 1000, value: p.value - first }))
}
