import { handFlowOf } from '../charge/hand-flow-of-job'
import { type ClockSegment, clockFactor } from '../job/clock'
import { currentHold, gaugesApart, type JobState, openContainer } from '../job/state'
import type { PullForecast } from '../pull/forecast'
import { PUMP_CHANNEL } from '../shop/instruments'
import type { Say } from '../units/say'
import { recentLeap, recentSlope } from '../units/slope'
import type { CurvePoint, JobView, Latest } from '../views'
import type { Live } from './types'

/** What is read of a car: its newest readings, and the curves what is live is worked out from. */
export type SeenJob = {
  clock: readonly ClockSegment[]
  latest: Latest
  vacuum: readonly CurvePoint[]
  scale: readonly CurvePoint[]
}

/** Whether the scale is read by eye: what was weighed last was typed, or no scale is there that could report. */
export const scaleByHand = ({ opened, hung }: JobState, instrument: string | undefined): boolean =>
  instrument === undefined ? !opened.simulated && !hung.some((h) => h.kind === 'scale') : instrument === 'hand'

/** What was said of the end of the pull that runs now. */
export const forecastNow = (state: JobState, forecast: JobView['forecast']): PullForecast | undefined =>
  forecast && state.step === 'pull' && forecast.pull === state.pulls.length - 1 ? forecast : undefined

/** The judgement of the hold that runs now; one of an earlier hold says nothing of it. */
export function judgedNow(state: JobState, judged: JobView['judged']): JobView['judged'] {
  const running = state.step === 'hold' && currentHold(state)?.ended === undefined
  return running && judged?.hold === state.holds.length - 1 ? judged : null
}

/**
 * What instruments and clock say of a car now, from its readings: the same for its page, for whoever waits without a
 * line, and for the server's watch. @param job - curves of the last minutes are enough
 */
export function liveOf(
  job: SeenJob,
  state: JobState,
  nowMs: number,
  reader: { clock: Live['clock']; say?: Say },
  judgement: Live['judgement'],
): Live {
  const { vacuum, low, high, vent, barometer, [PUMP_CHANNEL]: pump } = job.latest
  // what the scale showed before this container stood on it is another container's weight
  const since = openContainer(state)?.startedAt ?? ''
  const scale = job.latest.scale && job.latest.scale.at >= since ? job.latest.scale : undefined
  const fall = recentSlope(job.vacuum, 120_000)
  const leapt = recentLeap(job.vacuum)
  const weighed = scaleByHand(state, scale?.instrument)
  const hand = weighed ? handFlowOf(state, job.scale) : null
  const flow = recentSlope(
    job.scale.slice(-400).filter((p) => p.at >= Date.parse(since || '1970-01-01')),
    60_000,
  )
  return {
    nowMs,
    factor: clockFactor(job.clock),
    ...reader,
    ...(vacuum && {
      vacuumPa: vacuum.value,
      vacuumAtMs: Date.parse(vacuum.at),
      ...(vacuum.backS !== undefined && { gaugeBackS: vacuum.backS }),
      vacuumByHand: vacuum.instrument === 'hand',
      vacuumUnit: vacuum.sentUnit,
    }),
    ...(pump && vacuum && gaugesApart(state).length > 0 && { pumpPa: pump.value }),
    ...(low && { lowPa: low.value }),
    ...(high && { highPa: high.value }),
    ...(barometer && { airAtMs: Date.parse(barometer.at) }),
    scaleByHand: weighed,
    ...(scale && { scaleG: scale.value, scaleAtMs: Date.parse(scale.at) }),
    ...(hand && { handFlow: hand }),
    ...(vent && { ventC: vent.value }),
    ...(fall !== undefined && { fallPaS: fall }),
    ...(leapt !== undefined && { leaptPa: leapt }),
    ...(flow !== undefined && { flowGMin: Math.max(0, -flow * 60) }),
    ...(judgement && { judgement }),
  }
}
