import type { HoldContext, HoldSample } from '../hold/types'
import { rigRead } from '../job/written'
import { type CarVolume, composeRig, farNode } from '../rig/compose'
import { OUTGASSING } from '../rig/outgassing'
import type { RigFile } from '../rig/rig-file'
import { Stepper } from '../rig/stepper'
import { stationPressurePa } from '../units/barometer'
import { PA_PER_INHG, PA_PER_MICRON } from '../units/constants'
import { normalPair, seededRandom } from '../units/seeded'
import { drawWater, NO_WATER, type Water } from './waters'

/**
 * A hold whose truth is known: made by the network of model.md section 4 and read by an instrument with the faults of
 * section 5.
 */
export type KnownRecord = {
  seed: number
  samples: HoldSample[]
  context: HoldContext
  truth: {
    leakPaM3S: number
    /** water left in it at isolation, g, liquid and bound */
    waterG: number
    /** what does not die: leak and permeation over the isolated volume, Pa/s */
    sustainedPaS: number
    /** the same record without its leak and without noise, Pa at every sample */
    leakFreePa: Float64Array
    noisePa: Float64Array
    correlationS: number
    driftK: number
  }
}

export type RecordWish = {
  instrument?: 'electronic' | 'needle'
  leakPaM3S?: number
  wet?: boolean
  minutes?: number
  /** s between readings; 0 for hand-typed ones minutes apart */
  everyS?: number
  /** the same car's next hold: held for so long before, then pulled for so long, s */
  again?: Again
}

type Again = { heldS: number; pulledS: number }

/** Leaks among the records, log-uniform over these, Pa m3/s of air; wet ones among the leaking and among the tight. */
const LEAKS = 0.4
const LEAST_LEAK = 1e-6
const LARGEST_LEAK = 3e-3
const WET_OF_LEAKS = 0.4
const WET_OF_TIGHT = 1 / 3 / (1 - LEAKS)
/** A place that warms does so in steps of so long, s. */
const WARMING_STEP_S = 20

/** Which of two numbers a share falls to. */
const pick = <T>(random: () => number, ...options: T[]): T => options[Math.floor(random() * options.length)] as T
const logBetween = (random: () => number, low: number, high: number): number => low * (high / low) ** random()

/** One record, the same for the same seed. */
export function knownRecord(seed: number, wish: RecordWish = {}): KnownRecord {
  const random = seededRandom(seed * 7919 + 13)
  for (let i = 0; i < 5; i++) random()
  const car: CarVolume =
    random() < 0.7 ? { volumeL: 1.5 + 1.5 * random(), evaporators: 1 } : { volumeL: 4 + 2 * random(), evaporators: 2 }
  const ambientC = 6 + 28 * random()
  const barometerPa = stationPressurePa(random() < 0.7 ? 400 * random() : 2500 * random())
  const hosesIn = random() < 0.4
  const hose = pick(random, 'barrier-new', 'barrier-new', 'metal', 'rubber-old') as
    | 'barrier-new'
    | 'metal'
    | 'rubber-old'
  const leaks = wish.leakPaM3S === undefined ? random() < LEAKS : wish.leakPaM3S > 0
  const leakPaM3S = wish.leakPaM3S ?? (leaks ? logBetween(random, LEAST_LEAK, LARGEST_LEAK) : 0)
  const wet = wish.wet ?? random() < (leaks ? WET_OF_LEAKS : WET_OF_TIGHT)
  const places = ['low', 'evaporator', 'high', ...(car.evaporators === 2 ? ['rear'] : [])]
  const water = wet ? drawWater(random, places) : NO_WATER
  const rig = {
    name: 'x',
    boreMm: pick(random, 4.8, 9.5),
    lengthM: 0.9 + 0.9 * random(),
    hoses: 2,
    pumpCfm: 2 + 4 * random(),
    ultimateMicron: 20 + 20 * random(),
    gauge: 'electronic' as const,
    scaleStepG: 1,
  }
  const dry = composeRig({
    car,
    rig: rigRead({ ...rig, hoseKind: hose }),
    ambientC,
    barometerPa,
    water: { liquidG: 0, boundG: 0 },
  })
  const device = 0.75 + 0.5 * random()
  const composed = {
    ...dry,
    links: dry.links.map((l) => (l.id === 'expansion' ? { ...l, bore_mm: l.bore_mm * device } : l)),
    sources: { ...dry.sources, water: water.water, bound: water.bound },
  }
  const leakAt = pick(random, 'low', 'evaporator', 'high')
  const pullS = 60 * (12 + 60 * random())
  const minutes = wish.minutes ?? pick(random, 7, 10, 15, 20, 30, 30, 30, 45, 60, 90)
  const everyS = wish.everyS ?? (random() < 0.12 ? 0 : pick(random, 1, 1, 2, 5, 10))
  const times = timesOf(random, minutes * 60, everyS)
  const run = (leak: number) =>
    held(
      withLeak(composed, leakAt, leak),
      { farAt: farNode(car), hosesIn, pullS, warms: water.warms, again: wish.again },
      times,
    )
  const noLeak = run(0)
  const full = leakPaM3S > 0 ? run(leakPaM3S) : noLeak
  const driftK = random() < 0.5 ? 0 : 1.5 * (2 * random() - 1)
  const needle = wish.instrument === 'needle'
  const isolatedL = car.volumeL + (hosesIn ? 0.05 : 0)
  const permeation = hosesIn ? OUTGASSING[hose][1] * rig.lengthM * 2.5 : 0
  // the next hold is read with noise of its own
  if (wish.again) for (let i = 0; i < 100; i++) random()
  const read = instrumentOf(random, needle, barometerPa)
  const warmed = (pa: number, t: number) => pa * (1 + ((driftK / (ambientC + 273.15)) * t) / (minutes * 60))
  const leakFreePa = Float64Array.from(noLeak.pa, (pa, i) => warmed(pa, times[i] as number))
  const shown = read(times, (i) => warmed(full.pa[i] as number, times[i] as number))
  const samples = shown.map(({ pa }, i) => ({ elapsedS: times[i] as number, pressurePa: pa }))
  const kept = everyS > 0 && random() < 0.3 ? samples.filter((_, i) => i === 0 || (i * 7919) % 97 > 6) : samples
  return {
    seed,
    samples: kept.filter((s) => Number.isFinite(s.pressurePa)),
    context: {
      volumeL: isolatedL,
      instrument: needle ? 'needle' : 'electronic',
      resolutionPa: needle ? 0.5 * PA_PER_INHG : PA_PER_MICRON,
      noiseFraction: needle ? undefined : 0.01,
      ambientC,
      barometerPa,
      barometerRead: needle ? random() < 0.5 : undefined,
      refrigerant: 'R-134a',
      plannedS: minutes * 60,
      hosesIncluded: hosesIn,
    },
    truth: {
      leakPaM3S,
      waterG: noLeak.waterG,
      sustainedPaS: (leakPaM3S + permeation) / (isolatedL / 1000),
      leakFreePa,
      noisePa: Float64Array.from(shown, (s) => s.sigma),
      correlationS: shown[0]?.correlationS ?? 1,
      driftK,
    },
  }
}

function timesOf(random: () => number, totalS: number, everyS: number): number[] {
  if (everyS > 0) return Array.from({ length: Math.floor(totalS / everyS) + 1 }, (_, i) => i * everyS)
  const times = [0]
  for (let t = 0; t < totalS; ) {
    t += Math.round(60 + 240 * random())
    if (t <= totalS) times.push(t)
  }
  return times
}

const withLeak = (rig: RigFile, at: string, leak: number): RigFile => ({
  ...rig,
  sources: { ...rig.sources, leaks: leak > 0 ? [{ at, air_Pa_m3_s: leak }] : [] },
})

type Held = { farAt: string; hosesIn: boolean; pullS: number; warms: Water['warms']; again: Again | undefined }

/**
 * Pulls the rig, shuts it in and gives the pressure at the far gauge at times since then, Pa, and the water in it at
 * first.
 */
function held(
  rig: RigFile,
  { farAt, hosesIn, pullS: firstS, warms, again }: Held,
  times: readonly number[],
): { pa: Float64Array; waterG: number } {
  const stepper = new Stepper(rig)
  const valves = hosesIn ? ['hose-pump'] : ['core-low', 'core-high']
  const turn = (how: 'open' | 'close') => {
    for (const link of valves)
      stepper.network.apply(how === 'open' ? { t_s: stepper.t, open: link } : { t_s: stepper.t, close: link })
    stepper.begin()
  }
  stepper.advanceTo(firstS)
  turn('close')
  if (again) {
    stepper.advanceTo(firstS + again.heldS)
    turn('open')
    stepper.advanceTo(firstS + again.heldS + again.pulledS)
    turn('close')
  }
  const pullS = stepper.t
  const node = stepper.network.nodes.indexOf(farAt)
  const out = new Float64Array(times.length)
  out[0] = stepper.network.totalPa(stepper.y, node)
  const waterG = stepper.network.waterLeftG(stepper.y)
  let warmedS = 0
  let i = 1
  while (i < times.length) {
    // a place that warms does so in small steps
    const stop = warms ? pullS + warmedS + WARMING_STEP_S : pullS + 1e9
    const h = stepper.step(stop)
    for (; i < times.length && pullS + (times[i] as number) <= stepper.t; i++) {
      const at = pullS + (times[i] as number)
      out[i] = stepper.network.totalPa(stepper.within(1 - (stepper.t - at) / h, h), node)
    }
    if (warms && stepper.t >= stop) {
      warmedS += WARMING_STEP_S
      const kelvins = warms.kelvin * (1 - Math.exp(-warmedS / warms.tauS))
      stepper.network.apply({ t_s: stepper.t, heat: warms.at, temperature_C: rig.ambient_C + kelvins })
      stepper.begin()
    }
  }
  return { pa: out, waterG }
}

type Shown = { pa: number; sigma: number; correlationS: number }

/**
 * An instrument with its own noise: correlated, a share of the reading with a floor, lag, steps coarser higher up, a
 * limit.
 */
function instrumentOf(
  random: () => number,
  needle: boolean,
  barometerPa: number,
): (times: readonly number[], truePa: (i: number) => number) => Shown[] {
  const fraction = needle ? 0 : 0.003 + 0.012 * random()
  const floorPa = (1 + 2 * random()) * PA_PER_MICRON
  const correlationS = logBetween(random, 1, 30)
  const lagS = 0.5 + 1.5 * random()
  const valvePa = random() < 0.25 ? (3 + 25 * random()) * PA_PER_MICRON : 0
  const valveS = 5 + 40 * random()
  return (times, truePa) => {
    let z = normalPair(random)[0]
    let lagged = truePa(0)
    const weather = needle ? 340 * normalPair(random)[0] : 0
    return times.map((t, i) => {
      const dt = i === 0 ? 0 : t - (times[i - 1] as number)
      const phi = Math.exp(-dt / correlationS)
      z = phi * z + Math.sqrt(1 - phi * phi) * normalPair(random)[0]
      const at = truePa(i) + (t > valveS ? valvePa : 0)
      lagged = i === 0 ? at : lagged + (at - lagged) * (1 - Math.exp(-dt / lagS))
      if (needle) {
        const inch = 0.5 * PA_PER_INHG
        // without a barometer beside it the weather moves it
        const read = barometerPa - lagged + weather * Math.sqrt(t / 43_200) + 0.2 * PA_PER_INHG * normalPair(random)[0]
        return {
          pa: Math.max(0, barometerPa - Math.round(read / inch) * inch),
          sigma: Math.hypot(0.2 * PA_PER_INHG, inch / Math.sqrt(12)),
          correlationS: 1,
        }
      }
      const sigma = Math.hypot(fraction * lagged, floorPa)
      const noisy = lagged + sigma * z
      const micron = noisy / PA_PER_MICRON
      const step = micron < 200 ? 1 : micron < 1000 ? 2 : micron < 5000 ? 10 : 100
      const shown = Math.max(1, Math.round(micron / step) * step)
      return {
        pa: Math.min(shown, 25_000) * PA_PER_MICRON,
        sigma: Math.hypot(sigma, (step * PA_PER_MICRON) / Math.sqrt(12)),
        correlationS,
      }
    })
  }
}
