'use client'

import { useEffect, useReducer } from 'react'
import type { ClockSegment } from '@/core/procedure/clock'
import type { JobEvent } from '@/core/procedure/events'
import type { JobView, LiveReading } from '@/core/views'

/** A point of a curve: job time in ms, value in the channel's stored unit. */
export type CurvePoint = { at: number; value: number }
/** Low side and high side, Pa absolute, and the vent, Celsius. */
export type Sides = Record<'low' | 'high' | 'vent', CurvePoint[]>
export type LiveJob = {
  events: JobEvent[]
  clock: ClockSegment[]
  latest: JobView['latest']
  vacuum: CurvePoint[]
  scale: CurvePoint[]
  sides: Sides
  typed: LiveReading[]
  connected: boolean
}

type Message = { readings: LiveReading[]; events: JobEvent[]; clock?: ClockSegment[] }
type Action = { kind: 'message'; message: Message } | { kind: 'line'; connected: boolean }

/** A curve longer than this is thinned, keeping the extremes of every four points. */
const MOST_POINTS = 4000

function extend(curve: CurvePoint[], readings: readonly LiveReading[], channel: string): CurvePoint[] {
  const fresh = readings.filter((r) => r.channel === channel)
  if (fresh.length === 0) return curve
  const joined = [...curve, ...fresh.map(({ at, value }) => ({ at, value }))].sort((a, b) => a.at - b.at)
  return joined.length > MOST_POINTS ? thin(joined) : joined
}

/** The same object while nothing came for it, so that what hangs on it is not worked out anew. */
function extendSides(sides: Sides, readings: readonly LiveReading[]): Sides {
  if (!readings.some((r) => r.channel in sides)) return sides
  return { low: extend(sides.low, readings, 'low'), high: extend(sides.high, readings, 'high'), vent: extend(sides.vent, readings, 'vent') }
}

/** Half as many points: of every four the least and the greatest, in order. */
export function thin(points: readonly CurvePoint[]): CurvePoint[] {
  const kept: CurvePoint[] = []
  for (let i = 0; i < points.length; i += 4) {
    const four = points.slice(i, i + 4)
    const least = four.reduce((a, b) => (b.value < a.value ? b : a))
    const greatest = four.reduce((a, b) => (b.value >= a.value ? b : a))
    kept.push(...(least === greatest ? [least] : [least, greatest].sort((a, b) => a.at - b.at)))
  }
  return kept
}

function reduce(job: LiveJob, action: Action): LiveJob {
  if (action.kind === 'line') return { ...job, connected: action.connected }
  const { readings, events, clock } = action.message
  const known = new Set(job.events.map((e) => e.id))
  const latest = { ...job.latest }
  for (const r of readings) {
    const at = new Date(r.at).toISOString()
    if ((latest[r.channel]?.at ?? '') <= at) latest[r.channel] = { value: r.value, at, sentValue: r.sentValue, sentUnit: r.sentUnit }
  }
  return {
    connected: true,
    events: [...job.events, ...events.filter((e) => !known.has(e.id))],
    clock: clock ?? job.clock,
    latest,
    vacuum: extend(job.vacuum, readings, 'vacuum'),
    scale: extend(job.scale, readings, 'scale'),
    sides: extendSides(job.sides, readings),
    typed: [...readings.filter((r) => r.instrument === 'hand').reverse(), ...job.typed].slice(0, 40),
  }
}

/** A job kept up to date by its live stream, from the view the page came with; the browser resumes a lost line by itself. */
export function useJobLive(view: JobView): LiveJob {
  const [job, dispatch] = useReducer(reduce, view, ({ events, clock, latest, vacuum, scale, sides, typed }) => ({
    events,
    clock,
    latest,
    vacuum,
    scale,
    sides,
    typed,
    connected: true,
  }))
  useEffect(() => {
    const source = new EventSource(`/api/jobs/${view.id}/live?from=${view.cursor}`)
    source.onmessage = (message) => dispatch({ kind: 'message', message: JSON.parse(message.data) as Message })
    source.onopen = () => dispatch({ kind: 'line', connected: true })
    source.onerror = () => dispatch({ kind: 'line', connected: false })
    return () => source.close()
  }, [view.id, view.cursor])
  return job
}
