import type { Live } from '@/core/call/types'
import type { Level } from '@/core/charge/levels'
import { toleranceG } from '@/core/charge/plan-for-job'
import { watchContainer } from '@/core/charge/watch-container'
import { chargedG, type JobState, lostG, openContainer } from '@/core/job/state'
import { MINUTE_MS } from '@/core/units/constants'
import type { CurvePoint } from '@/core/views'

/** The lens shows this much below the next closing, g, and this much above what is allowed. */
const LENS_BELOW_G = 140
const LENS_ABOVE_G = 14

/**
 * Grams in the car over time: each container's loss on top of what the ones before gave, with everything that moved the
 * scale and is no refrigerant counted out as the call does. @param factor - how fast the job's clock runs
 */
export function ascentOf(state: JobState, scale: readonly CurvePoint[], factor: number): CurvePoint[] {
  let before = 0
  return state.containers.flatMap((c) => {
    const from = Date.parse(c.startedAt)
    const to = c.endedAt ? Date.parse(c.endedAt) : Number.POSITIVE_INFINITY
    const { purgeG, hoseG } = lostG(state, c.id)
    const base = before
    const inCar = (gross: number) => base + Math.max(0, c.startGrossG - gross - purgeG - hoseG)
    const watched = watchContainer(scale, { fromMs: from, toMs: to }, factor, state.opened.rig.scaleStepG)
    const points = watched.readings.map((r) => ({ at: watched.atMs(r.tS), value: inCar(r.grams) }))
    if (c.endGrossG !== undefined) before = inCar(c.endGrossG)
    return [
      { at: from, value: base },
      ...points,
      ...(c.endGrossG !== undefined && c.endedAt ? [{ at: to, value: before }] : []),
    ]
  })
}

/**
 * What is known of the next closing: when, at how many grams in the car, and when an open valve would be over what is
 * allowed; times ms of job time, null while they cannot be told.
 */
export type Ahead = {
  nowMs: number
  nowG: number
  goalG: number
  closeMs: number | null
  overMs: number | null
  mostG: number
  last: boolean
}

export function aheadOf(state: JobState, live: Live, levels: readonly Level[]): Ahead {
  const open = openContainer(state)
  const nowG = chargedG(state, open ? (live.scaleG ?? open.startGrossG) : undefined)
  const now = levels.find((l) => l.state === 'now')
  const target = state.plan?.targetG ?? 0
  const goalG = now?.toG ?? target
  const mostG = target + toleranceG(state)
  const flow = live.flowGMin !== undefined && live.flowGMin > 1 && open ? live.flowGMin : null
  const after = (g: number) => (flow === null ? null : live.nowMs + (Math.max(0, g - nowG) / flow) * MINUTE_MS)
  return {
    nowMs: live.nowMs,
    nowG,
    goalG,
    closeMs: nowG < goalG ? after(goalG) : null,
    overMs: nowG < mostG ? after(mostG) : null,
    mostG,
    last: Math.abs(goalG - target) < 1,
  }
}

/** Span of grams the lens magnifies: the last ones before the next closing, and always what is in now. */
export function lensRange(ahead: Ahead, allows: number, target: number): { low: number; high: number } {
  const high = ahead.last ? target + allows + LENS_ABOVE_G : ahead.goalG + 2 * LENS_ABOVE_G
  return {
    low: Math.max(0, Math.min(ahead.goalG - LENS_BELOW_G, ahead.nowG - LENS_ABOVE_G)),
    high: Math.max(high, ahead.nowG + LENS_ABOVE_G),
  }
}
