'use client'

import { useReducer } from 'react'
import type { ClockSegment } from '@/core/job/clock'
import type { JobEvent } from '@/core/job/events'
import { PUMP_CHANNEL } from '@/core/shop/instruments'
import type { JobView, LiveReading } from '@/core/views'
import { learnServerTime } from '../server-clock'
import { type Line, useEventStream } from './use-event-stream'

/** A point of a curve: job time in ms, value in the channel's stored unit. */
export type CurvePoint = { at: number; value: number }
/** Low side and high side, Pa absolute, and the vent, Celsius. */
export type Sides = Record<'low' | 'high' | 'vent', CurvePoint[]>
export type LiveJob = {
  events: JobEvent[]
  clock: ClockSegment[]
  latest: JobView['latest']
  vacuum: CurvePoint[]
  /** a gauge at the pump, while another hangs at the far end */
  pump: CurvePoint[]
  scale: CurvePoint[]
  sides: Sides
  /** the gas in the circuit, Celsius */
  warmth: CurvePoint[]
  typed: LiveReading[]
  benchTrouble: string | null
  judged: JobView['judged']
  forecast: JobView['forecast']
}

/** Events as they are stored, the first of them at place `from` of the job's log. */
export type Stretch = { from: number; events: JobEvent[] }
type Message = Stretch & {
  readings: LiveReading[]
  clock?: ClockSegment[]
  latest: JobView['latest']
  benchTrouble: string | null
  judged?: JobView['judged']
  forecast?: JobView['forecast']
  serverMs: number
}

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
  return {
    low: extend(sides.low, readings, 'low'),
    high: extend(sides.high, readings, 'high'),
    vent: extend(sides.vent, readings, 'vent'),
  }
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

/**
 * The log with a stretch of it put where it belongs; the same array while nothing is new, for the whole job hangs on
 * it.
 */
export function withStretch(events: JobEvent[], { from, events: more }: Stretch): JobEvent[] {
  return from <= events.length && from + more.length > events.length ? [...events.slice(0, from), ...more] : events
}

function reduce(job: LiveJob, message: Message | Stretch): LiveJob {
  const events = withStretch(job.events, message)
  if (!('readings' in message)) return events === job.events ? job : { ...job, events }
  const { readings, clock, latest, benchTrouble, judged, forecast } = message
  return {
    events,
    clock: clock ?? job.clock,
    latest,
    benchTrouble,
    // undefined: nothing was judged anew
    judged: judged === undefined ? job.judged : judged,
    forecast: forecast === undefined ? job.forecast : forecast,
    vacuum: extend(job.vacuum, readings, 'vacuum'),
    pump: extend(job.pump, readings, PUMP_CHANNEL),
    scale: extend(job.scale, readings, 'scale'),
    sides: extendSides(job.sides, readings),
    warmth: extend(job.warmth, readings, 'engine_bay'),
    typed: [...readings.filter((r) => r.instrument === 'hand').reverse(), ...job.typed].slice(0, 40),
  }
}

/**
 * A job kept up to date by its live stream, from the view the page came with; a lost line is joined again where it was
 * lost.
 */
export function useJobLive(view: JobView): { job: LiveJob; line: Line; take: (stretch: Stretch) => void } {
  const [job, dispatch] = useReducer(
    reduce,
    view,
    ({ events, clock, latest, vacuum, pump, scale, sides, warmth, typed, benchTrouble, judged, forecast }) => ({
      events,
      clock,
      latest,
      vacuum,
      pump,
      scale,
      sides,
      warmth,
      typed,
      benchTrouble,
      judged,
      forecast,
    }),
  )
  const live = `/api/jobs/${view.id}/live`
  const line = useEventStream(
    `${live}?from=${view.cursor}`,
    (lastId) => `${live}?from=${lastId}`,
    (data) => {
      const message = data as Message
      learnServerTime(message.serverMs, null)
      dispatch(message)
    },
  )
  return { job, line, take: dispatch }
}
