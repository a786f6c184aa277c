import { W } from '../language/charge/scale-watch'
import { GRAMS_PER_OUNCE } from '../units/constants'

/** What a scale showed, s and g. */
export type ScaleReading = { tS: number; grams: number }

/** Something that moved the scale and is no refrigerant: noticed, named, and counted out. */
export type ScaleEvent = {
  kind: 'bumped' | 'leaning' | 'lifted' | 'drifting' | 'other-unit'
  atS: number
  byG: number
  words: string
}

export type Watched = {
  /** readings with what is no refrigerant counted out, g */
  readings: ScaleReading[]
  /** what the scale shows more than the container weighs now, g */
  offsetG: number
  events: ScaleEvent[]
}

/** A step is no flow when it is larger than the flow could make it and this many steps of the scale, g at least. */
const STEP_SCALES = 3
const STEP_G = 6
/** No valve passes more than this, g/s (practice: up to 600 g a minute, doubled). */
const FASTEST_G_S = 20
/** Readings a bump lasts at most. */
const BUMP_READINGS = 4
/** A container lifted off leaves less than this share of its weight. */
const LIFTED_SHARE = 0.4
/** With the valve shut the weight must not creep by more than this many steps in a minute. */
const DRIFT_SCALES = 1.5
const DRIFT_S = 60
/** Units a scale may be switched to, as g shown in that unit over the figure shown. */
const OTHER_UNITS = [
  { name: 'ounces', factor: 1 / GRAMS_PER_OUNCE },
  { name: 'pounds', factor: 1 / (16 * GRAMS_PER_OUNCE) },
  { name: 'kilograms', factor: 1 / 1000 },
] as const
const UNIT_SHARE = 0.04

const words = (grams: number): string => `${grams > 0 ? '+' : '−'}${Math.abs(Math.round(grams))} g`

/**
 * Looks through the readings of one container on the scale.
 * @param readings - in order of time, from the moment its hose was on
 * @param stepG - smallest step of the scale, g
 * @param shutFrom - times since when the valve has been shut, s; none while it is open
 */
export function watchScale(
  readings: readonly ScaleReading[],
  stepG: number,
  shutFrom: readonly [from: number, to: number][] = [],
): Watched {
  const out: ScaleReading[] = []
  const events: ScaleEvent[] = []
  let offset = 0
  let factor = 1
  for (let i = 0; i < readings.length; i++) {
    const { tS, grams } = readings[i] as ScaleReading
    const before = out[out.length - 1]
    let weight = grams / factor - offset
    if (before) {
      const dt = Math.max(0.2, tS - before.tS)
      const allowed = Math.max(STEP_G, STEP_SCALES * stepG) + FASTEST_G_S * dt
      const jump = weight - before.grams
      // gas leaves, it does not come: upward there is no flow to allow for
      if (jump > Math.max(STEP_G, STEP_SCALES * stepG) || -jump > allowed) {
        const found = explain(readings, i, before.grams, { offset, factor, stepG })
        if (found.event) events.push(found.event)
        offset = found.offset
        factor = found.factor
        if (found.skip > 0) {
          i += found.skip - 1
          continue
        }
        weight = grams / factor - offset
      }
    }
    out.push({ tS, grams: weight })
  }
  return {
    readings: out,
    offsetG: offset,
    events: [...events, ...driftOf(out, stepG, shutFrom)].sort((a, b) => a.atS - b.atS),
  }
}

type Now = { offset: number; factor: number; stepG: number }
type Explained = { event: ScaleEvent | null; skip: number; offset: number; factor: number }

/** What a jump of the scale at reading `i` was. */
function explain(readings: readonly ScaleReading[], i: number, weightBefore: number, now: Now): Explained {
  const { tS, grams } = readings[i] as ScaleReading
  const shownBefore = (weightBefore + now.offset) * now.factor
  const near = (shown: number) =>
    Math.abs(shown / now.factor - now.offset - weightBefore) <= Math.max(2 * STEP_G, 4 * now.stepG)
  const same = { offset: now.offset, factor: now.factor }
  const unit = OTHER_UNITS.find((u) => Math.abs(grams / (shownBefore * u.factor) - 1) < UNIT_SHARE)
  if (unit && now.factor === 1) {
    return {
      event: {
        kind: 'other-unit',
        atS: tS,
        byG: 0,
        words: W.theScaleWasSwitchedTo(unit.name),
      },
      skip: 0,
      offset: now.offset,
      factor: unit.factor,
    }
  }
  if (now.factor !== 1 && Math.abs(grams / (shownBefore / now.factor) - 1) < UNIT_SHARE) {
    return {
      event: { kind: 'other-unit', atS: tS, byG: 0, words: W.theScaleShowsGramsAgain },
      skip: 0,
      offset: now.offset,
      factor: 1,
    }
  }
  const back = readings.slice(i, i + 1 + BUMP_READINGS).findIndex((r) => near(r.grams))
  if (back > 0)
    return {
      event: {
        kind: 'bumped',
        atS: tS,
        byG: grams / now.factor - now.offset - weightBefore,
        words: W.theScaleWasBumpedThose,
      },
      skip: back,
      ...same,
    }
  if (grams / now.factor - now.offset < LIFTED_SHARE * weightBefore) {
    const later = readings.findIndex((r, k) => k > i && r.grams / now.factor - now.offset > LIFTED_SHARE * weightBefore)
    if (later < 0)
      return {
        event: {
          kind: 'lifted',
          atS: tS,
          byG: -weightBefore,
          words: W.theContainerWasLiftedOff,
        },
        skip: readings.length - i,
        ...same,
      }
    const settled = readings[Math.min(readings.length - 1, later + 1)] as ScaleReading
    const change = settled.grams / now.factor - now.offset - weightBefore
    // nothing flows while a hand holds it: what differs afterwards is how it stands
    return {
      event: {
        kind: 'lifted',
        atS: tS,
        byG: change,
        words: W.theContainerWasLiftedOffAnd(Math.abs(change) > STEP_G ? W.apartCountedOut(words(change)) : ''),
      },
      skip: Math.min(readings.length - 1, later + 1) - i,
      offset: now.offset + (Math.abs(change) > STEP_G ? change : 0),
      factor: now.factor,
    }
  }
  const by = grams / now.factor - now.offset - weightBefore
  return {
    event: {
      kind: 'leaning',
      atS: tS,
      byG: by,
      words: W.theScaleJumpedByAnd(words(by)),
    },
    skip: 0,
    offset: now.offset + by,
    factor: now.factor,
  }
}

/** Creeping with the valve shut, once for each time it was shut. */
function driftOf(
  readings: readonly ScaleReading[],
  stepG: number,
  shutFrom: readonly [number, number][],
): ScaleEvent[] {
  return shutFrom.flatMap(([from, to]): ScaleEvent[] => {
    // the hose settles first
    const part = readings.filter((r) => r.tS >= from + 10 && r.tS <= to)
    const first = part[0]
    const last = part[part.length - 1]
    if (!first || !last || last.tS - first.tS < DRIFT_S) return []
    const perMinute = ((last.grams - first.grams) / (last.tS - first.tS)) * 60
    if (Math.abs(perMinute) < DRIFT_SCALES * stepG) return []
    const way = perMinute < 0 ? 'loses' : 'gains'
    return [
      {
        kind: 'drifting',
        atS: first.tS,
        byG: last.grams - first.grams,
        words: W.withTheValveShutIt(way, Math.abs(perMinute).toFixed(0)),
      },
    ]
  })
}
