'use client'

import { useMemo, useReducer, useRef } from 'react'
import type { ClockSegment } from '@/core/job/clock'
import type { JobEvent } from '@/core/job/events'
import { W } from '@/core/language/screen/hooks'
import { PUMP_CHANNEL } from '@/core/shop/instruments'
import type { CurvePoint, JobView, LiveReading, Ring, Ringing, Sides, Stretch } from '@/core/views'
import { useAlarmsOfStream } from '../alarms/alarms'
import { useSeen } from '../offline/use-seen'
import { learnServerTime } from '../server-clock'
import { type Line, useEventStream } from './use-event-stream'

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
  rung: JobView['rung']
  /** what the server's watch says rings on it now */
  ringing: Ring[]
  here: JobView['here']
}

type Message = Stretch & {
  readings: LiveReading[]
  clock?: ClockSegment[]
  latest: JobView['latest']
  benchTrouble: string | null
  judged?: JobView['judged']
  forecast?: JobView['forecast']
  alarms?: Ringing[]
  rung?: JobView['rung']
  here?: JobView['here']
  serverMs: number
  job?: string
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

function reduce(job: LiveJob, message: Message | Stretch | { seen: LiveJob }): LiveJob {
  if ('seen' in message) return message.seen.events.length >= job.events.length ? message.seen : job
  const events = withStretch(job.events, message)
  if (!('readings' in message)) return events === job.events ? job : { ...job, events }
  const { readings, clock, latest, benchTrouble, judged, forecast, alarms, rung, here } = message
  return {
    events,
    clock: clock ?? job.clock,
    latest,
    benchTrouble,
    // undefined: nothing was judged anew
    judged: judged === undefined ? job.judged : judged,
    forecast: forecast === undefined ? job.forecast : forecast,
    rung: rung ?? job.rung,
    ringing: alarms && message.job ? alarms.filter((a) => a.jobId === message.job) : job.ringing,
    here: here ?? job.here,
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
export function useJobLive(view: JobView): {
  job: LiveJob
  line: Line
  fromMs: number | null
  take: (stretch: Stretch) => void
} {
  const [job, dispatch] = useReducer(
    reduce,
    view,
    ({
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
      rung,
      here,
    }) => ({
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
      rung,
      ringing: [],
      here,
    }),
  )
  const hear = useAlarmsOfStream()
  const live = `/api/jobs/${view.id}/live`
  // where the stream stands: a page that was kept goes on from where it was last seen
  const cursor = useRef(view.cursor)
  const shown = useMemo(() => ({ job, cursor: cursor.current }), [job])
  const { ready, fromMs } = useSeen(W.job(view.id), shown, (seen: { job: LiveJob; cursor: string }) => {
    cursor.current = seen.cursor
    dispatch({ seen: seen.job })
  })
  // where it was joined stays: another address would be another line
  const joined = useRef<string | null>(null)
  if (ready) joined.current ??= cursor.current
  const line = useEventStream(
    joined.current === null ? null : `${live}?from=${joined.current}`,
    (lastId) => `${live}?from=${lastId}`,
    (data, id) => {
      cursor.current = id
      const message = data as Message
      learnServerTime(message.serverMs, null)
      if (message.alarms) hear(message.alarms)
      dispatch({ ...message, job: view.id })
    },
  )
  return { job, line, fromMs, take: dispatch }
}
