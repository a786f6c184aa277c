import type { BenchAction } from '../bench/run'
import type { BenchTruth } from '../bench/truth'

/** A small tight and dry car on a rig at sea level, for tests that need a bench. */
export const BENCH_TRUTH: BenchTruth = {
  volumeL: 2.5,
  line: { boreMm: 9.5, lengthM: 1.2, hoses: 2 },
  pumpCfm: 4,
  ultimateMicron: 25,
  leakPaM3S: 0,
  waterG: 0,
  boundG: 0,
  ambientC: 20,
  barometerPa: 101_325,
  refrigerant: 'R-134a',
  seed: 5,
}

/** A turn of a part at a second of the bench. */
export const turn = (second: number, part: string, state: string) =>
  ({ second, kind: 'turn', part, state }) as BenchAction

/** Couplers open, hose to the pump, pump on, from the first second. */
export const PULLING = [
  turn(0, 'coupler-low', 'open'),
  turn(0, 'coupler-high', 'open'),
  turn(0, 'centre-hose', 'pump'),
  turn(0, 'pump', 'on'),
]

/** Both manifold valves shut at a second. */
export const shut = (second: number) => [turn(second, 'valve-low', 'closed'), turn(second, 'valve-high', 'closed')]
