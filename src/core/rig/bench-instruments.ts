import type { RigState } from '../procedure/parts'
import type { Channel, ReadingUnit } from '../units/channel'
import { PA_PER_MICRON, PA_PER_PSI } from '../units/constants'
import type { BenchCar, BenchContainer } from './bench-car'

export type BenchReading = { channel: Channel; value: number; unit: ReadingUnit }

/** Above this an electronic gauge shows nothing, micron (assumed). */
const OVER_RANGE_MICRON = 25_000
/** Noise of an electronic gauge: share of the reading and floor, micron (assumed). */
const NOISE_SHARE = 0.004
const NOISE_FLOOR_MICRON = 1

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

/** What the bench's instruments show at a whole second of job time. */
export function benchReadings(car: BenchCar, rig: RigState, second: number, scaleStepG: number, container?: BenchContainer): BenchReading[] {
  const found: BenchReading[] = []
  const { seed, barometerPa } = car.truth
  const vacuumPa = car.farPa
  const charged = car.chargeG > 0 ? car.chargedPressures(rig.engine === 'on') : { lowPa: vacuumPa, highPa: vacuumPa }
  const micron = vacuumPa / PA_PER_MICRON
  if (car.chargeG === 0 && micron < OVER_RANGE_MICRON) {
    const shown = Math.max(1, micron + gaussian(seed, second) * Math.hypot(NOISE_SHARE * micron, NOISE_FLOOR_MICRON))
    found.push({ channel: 'vacuum', value: rounded(shown, gaugeStep(shown)), unit: 'micron' })
  }
  if (second % 5 === 0) {
    const psig = (pa: number) => rounded((pa - barometerPa) / PA_PER_PSI, 0.1)
    if (rig['coupler-low'] === 'open') found.push({ channel: 'low', value: psig(charged.lowPa), unit: 'psig' })
    if (rig['coupler-high'] === 'open') found.push({ channel: 'high', value: psig(charged.highPa), unit: 'psig' })
    if (rig.engine === 'on') found.push({ channel: 'vent', value: rounded(10.2 + 0.2 * gaussian(seed, second), 0.1), unit: 'C' })
  }
  if (container) found.push({ channel: 'scale', value: rounded(container.grossG, scaleStepG), unit: 'g' })
  return found
}
