import type { JobState } from '../job/state'
import { PA_PER_PSI } from '../units/constants'
import { kelvin } from '../units/temperature'
import { type PressureSample, type PressureTest, warmthAt } from './pressure-test'

type Point = { at: number; value: number }

/** A manifold's gauge shows tenths of a psi at best (assumed). */
const STEP_PA = 0.1 * PA_PER_PSI

/**
 * The pressure test that runs on a job, from its readings since the nitrogen was in; null while none is.
 * @param low - the low side, Pa absolute, job time ms
 * @param warmth - the gas, Celsius
 */
export function pressureTestOf(state: JobState, low: readonly Point[], warmth: readonly Point[]): PressureTest | null {
  const nitrogen = state.search?.nitrogen
  if (!nitrogen) return null
  const fromMs = Date.parse(nitrogen.inAt)
  const { barometerPa } = state.opened.place
  const since = (points: readonly Point[]) => points.filter((p) => p.at >= fromMs)
  return {
    samples: since(low).map((p) => ({ atS: (p.at - fromMs) / 1000, pa: p.value })),
    warmth: since(warmth).map((p) => ({ atS: (p.at - fromMs) / 1000, celsius: p.value })),
    volumeL: state.opened.volumeL,
    refrigerant: state.opened.label.refrigerant,
    barometerPa,
    stepPa: STEP_PA,
  }
}

/** The pressure a test would show had its gas kept the temperature it began with; none without a temperature. */
export function correctedPa({ samples, warmth }: PressureTest): PressureSample[] {
  const first = samples[0]
  if (!first || warmth.length === 0) return []
  const beganK = kelvin(warmthAt(warmth, first.atS))
  return samples.map(({ atS, pa }) => ({ atS, pa: (pa * beganK) / kelvin(warmthAt(warmth, atS)) }))
}
