import type { JobState, Pull } from '../job/state'
import { composeRig, farNode, type RigOptions } from '../rig/compose'
import { PA_PER_MICRON } from '../units/constants'
import { NOISE_FRACTION, type PullAsked, type PullStands, type PumpNow, type StandKind } from './asked'
import { changesOf } from './changes'
import { pullQuestion } from './question'
import { whereItStands } from './running-pull'
import type { Sooner } from './sooner'

/** What was last said of a running pull, for every page, the board and the alarms alike. Moments are job time, ms. */
export type PullForecast = {
  /** which pull of the job, 0 for the first */
  pull: number
  /** when it was said */
  atMs: number
  /** chance to get to the target at all within six hours */
  reaches: number
  /** when 10, 50 and 90 of 100 such pulls are at the target; null beyond six hours, and where most never are */
  p10Ms: number | null
  p50Ms: number | null
  p90Ms: number | null
  stands: { kind: StandKind; probability: number }[]
  /** what has become of the pump; not in what an earlier version stored */
  oil?: PumpNow
  /** what could be done about it now, by the same explanations; not said by a device that looks by itself */
  sooner?: Sooner[]
}

/**
 * The question a job asks of its running pull.
 * @param readings - of its vacuum gauge since the pull began: job time ms, Pa
 * @param atPump - the same of a second gauge at the pump, where there is one
 */
export function pullAsked(
  state: JobState,
  pull: Pull,
  readings: readonly { at: number; value: number }[],
  nowMs: number,
  atPump: readonly { at: number; value: number }[] = [],
): PullAsked {
  const { car } = pullQuestion(state, 0)
  const { rig, place, procedure, story } = state.opened
  const startMs = Date.parse(pull.startedAt)
  const far = farNode(car)
  const needle = rig.gauge === 'needle'
  const since = (points: typeof readings) =>
    points.map((r) => ({ tS: (r.at - startMs) / 1000, pa: r.value })).filter((r) => r.pa > 0)
  const composed = (options: RigOptions = {}) =>
    composeRig({
      car,
      rig,
      ambientC: place.ambientC,
      barometerPa: place.barometerPa,
      water: { liquidG: 0, boundG: 0 },
      options,
    })
  return {
    rig: composed(),
    // a ballast that is open already is not opened
    changes: changesOf(rig)
      .filter(({ kind }) => kind !== 'ballast' || state.rig.ballast !== 'open')
      .map(({ kind, options }) => ({ kind, rig: composed(options) })),
    story,
    ballastOpen: state.rig.ballast === 'open',
    gaugeNode: rig.gaugeAt === 'pump' ? 'pump' : far,
    farNode: far,
    targetPa: procedure.targetPa,
    nowS: Math.max(0, (nowMs - startMs) / 1000),
    // a needle says nothing down there: then the story alone speaks
    readings: needle ? [] : since(readings),
    ...(atPump.length > 0 && { atPump: since(atPump) }),
    noiseFraction: NOISE_FRACTION,
    resolutionPa: rig.resolutionPa ?? PA_PER_MICRON,
    seed: 1,
  }
}

/** What is said of a running pull; `state` must be one that pulls. */
export const forecastOf = (state: JobState, asked: PullAsked, nowMs: number): PullForecast =>
  asForecast(whereItStands(asked), state.pulls.length - 1, nowMs)

export function asForecast(
  { sooner, ...stands }: PullStands & { sooner?: Sooner[] },
  pull: number,
  atMs: number,
): PullForecast {
  const moment = (s: number | null) => (s === null ? null : atMs + s * 1000)
  return {
    pull,
    atMs,
    reaches: stands.reaches,
    p10Ms: moment(stands.toTargetS.p10),
    p50Ms: moment(stands.toTargetS.p50),
    p90Ms: moment(stands.toTargetS.p90),
    stands: stands.stands,
    oil: stands.oil,
    ...(sooner && { sooner }),
  }
}

/**
 * When somebody is wanted at a running pull, job time ms: the middle of the prediction, and when nine of ten are
 * there.
 */
export type ComeBack = { atMs: number; latestMs: number | null; by: 'prediction' | 'minutes' }

/**
 * A procedure's minutes are the least it pulls; beyond them the prediction decides. Where most never get there within
 * six hours the minutes decide alone.
 * @param dueMs - when the procedure's minutes are over
 */
export function comeBackAt(
  dueMs: number,
  forecast: Pick<PullForecast, 'p50Ms' | 'p90Ms'> | null | undefined,
): ComeBack {
  if (!forecast || forecast.p50Ms === null) return { atMs: dueMs, latestMs: null, by: 'minutes' }
  return forecast.p50Ms > dueMs
    ? { atMs: forecast.p50Ms, latestMs: forecast.p90Ms, by: 'prediction' }
    : {
        atMs: dueMs,
        latestMs: forecast.p90Ms !== null && forecast.p90Ms > dueMs ? forecast.p90Ms : null,
        by: 'minutes',
      }
}
