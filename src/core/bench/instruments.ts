import type { RigState } from '../job/parts'
import type { Channel, ReadingUnit } from '../units/channel'
import { GRAMS_PER_OUNCE, PA_PER_MICRON, PA_PER_PSI } from '../units/constants'
import type { BenchCar, BenchContainer } from './car'
import { type GaugeTruth, GOOD_GAUGE } from './truth'

export type BenchReading = { channel: Channel; value: number; unit: ReadingUnit }

/** Two numbers in [0, 1) that depend only on seed and second: the same bench gives the same curve. */
function seeded(seed: number, second: number): [number, number] {
  let a = (Math.imul(seed, 0x9e3779b1) ^ Math.imul(second + 1, 0x85ebca6b)) >>> 0
  const next = () => {
    a = (a + 0x6d2b79f5) >>> 0
    let x = Math.imul(a ^ (a >>> 15), a | 1)
    x ^= x + Math.imul(x ^ (x >>> 7), x | 61)
    return ((x ^ (x >>> 14)) >>> 0) / 4294967296
  }
  return [next(), next()]
}

function gaussian(seed: number, second: number): number {
  const [u, v] = seeded(seed, second)
  return Math.sqrt(-2 * Math.log(1 - u)) * Math.cos(2 * Math.PI * v)
}

/** Steps of an electronic gauge: finer the deeper, micron. */
function gaugeStep(micron: number): number {
  if (micron < 200) return 1
  if (micron < 1000) return 2
  return micron < 5000 ? 10 : 100
}

const rounded = (value: number, step: number): number => Math.round(Math.round(value / step) * step * 1000) / 1000

/** What a hand may do to the gauge on demand. */
export const GAUGE_STATES = ['good', 'silent', 'dead', 'knocked'] as const
export type GaugeState = (typeof GAUGE_STATES)[number]
/** A knocked gauge reads so much more from then on, micron (assumed). */
const KNOCK_MICRON = 60

/** The electronic vacuum gauge of the bench: follows its node with a lag, and fails as the truth or a hand says. */
export class BenchGauge {
  state: GaugeState = 'good'
  private readonly truth: GaugeTruth
  private readonly seed: number
  private laggedPa: number

  constructor(truth: GaugeTruth | undefined, seed: number, startPa: number) {
    this.truth = truth ?? GOOD_GAUGE
    this.seed = seed
    this.laggedPa = startPa
  }

  /** Lets one second pass at a pressure, Pa. */
  second(pressurePa: number): void {
    const { lagS } = this.truth
    this.laggedPa = lagS === 0 ? pressurePa : this.laggedPa + (pressurePa - this.laggedPa) * (1 - Math.exp(-1 / lagS))
  }

  /** What it shows at a second, micron; null when it shows nothing. */
  shown(second: number): number | null {
    const { batteryDiesS, dropOuts, jumps, overRangeMicron, noiseShare, noiseFloorMicron } = this.truth
    if (this.state === 'dead' || this.state === 'silent' || (batteryDiesS !== null && second >= batteryDiesS))
      return null
    if (dropOuts.some((d) => second >= d.fromS && second < d.toS)) return null
    const jumped = jumps.reduce(
      (sum, j) => sum + (second >= j.atS ? j.micron : 0),
      this.state === 'knocked' ? KNOCK_MICRON : 0,
    )
    const micron = this.laggedPa / PA_PER_MICRON + jumped
    if (micron >= overRangeMicron) return null
    const noisy = Math.max(1, micron + gaussian(this.seed, second) * Math.hypot(noiseShare * micron, noiseFloorMicron))
    return rounded(noisy, gaugeStep(noisy))
  }
}

/**
 * What a hand may do to the scale on demand: nothing, a knock that passes, a hose that leans on it, or another unit
 * shown.
 */
export const SCALE_STATES = ['good', 'bumped', 'leaning', 'ounces'] as const
export type ScaleState = (typeof SCALE_STATES)[number]
/** A knock shows so much more for so long; a leaning hose weighs this, g and s (assumed). */
const BUMP_G = 85
const BUMP_S = 2
const LEAN_G = 42

/** The scale of the bench: steps, and what a hand does to it. */
export class BenchScale {
  state: ScaleState = 'good'
  /** second of the job since when it is in that state */
  since = 0
  private readonly stepG: number

  constructor(stepG: number) {
    this.stepG = stepG
  }

  /** What it shows at a second with so much on it, g; ounces under the name of grams when somebody switched it. */
  shown(second: number, grossG: number): number {
    if (this.state === 'bumped' && second - this.since <= BUMP_S) return rounded(grossG + BUMP_G, this.stepG)
    if (this.state === 'leaning') return rounded(grossG + LEAN_G, this.stepG)
    return this.state === 'ounces' ? rounded(grossG / GRAMS_PER_OUNCE, 0.1) : rounded(grossG, this.stepG)
  }
}

/** What the bench's instruments show at a whole second of job time. */
export function benchReadings(
  car: BenchCar,
  rig: RigState,
  gauge: BenchGauge,
  second: number,
  scale: BenchScale,
  container?: BenchContainer,
): BenchReading[] {
  const found: BenchReading[] = []
  const { seed, barometerPa } = car.truth
  const micron = car.chargeG === 0 && !car.nitrogen ? gauge.shown(second) : null
  if (micron !== null) found.push({ channel: 'vacuum', value: micron, unit: 'micron' })
  if (second % 5 === 0) {
    const psig = (pa: number) => rounded((pa - barometerPa) / PA_PER_PSI, 0.1)
    if (rig['coupler-low'] === 'open') found.push({ channel: 'low', value: psig(car.sides.lowPa), unit: 'psig' })
    if (rig['coupler-high'] === 'open') found.push({ channel: 'high', value: psig(car.sides.highPa), unit: 'psig' })
    if (rig.engine === 'on')
      found.push({ channel: 'vent', value: rounded(car.sides.ventC + 0.2 * gaussian(seed, second), 0.1), unit: 'C' })
  }
  if (car.nitrogen && second % 30 === 0)
    found.push({
      channel: 'engine_bay',
      value: rounded(car.nitrogen.celsius + 0.1 * gaussian(seed + 1, second), 0.1),
      unit: 'C',
    })
  if (container) found.push({ channel: 'scale', value: scale.shown(second, container.grossG), unit: 'g' })
  return found
}
