import type { Rig } from '../job/written'
import { W } from '../language/pull/planner'
import { type RigOptions, throughManifold } from '../rig/compose'
import { PA_PER_MICRON } from '../units/constants'

/** What could be done about a pull, each by itself. */
export type ChangeKind = 'cores-out' | 'half-inch-hoses' | 'second-hose' | 'warmer' | 'ballast' | 'fresh-oil'

/** Hoses of half an inch, and from what bore on they are that wide, m. */
const HALF_INCH_M = 0.0127
const WIDE_M = 0.012
/** What a sound two-stage pump reaches on fresh oil, Pa, and how much warmer a bay can be made, K (assumed). */
const FRESH_OIL_PA = 25 * PA_PER_MICRON
const WARMER_K = 10

/** What there is to do about a pull on this rig, with the rig as it would be then. */
export function changesOf(rig: Rig): { kind: ChangeKind; options: RigOptions }[] {
  return [
    ...(throughManifold(rig) ? [{ kind: 'cores-out' as const, options: { coresOut: true } }] : []),
    ...(rig.boreM < WIDE_M ? [{ kind: 'half-inch-hoses' as const, options: { boreM: HALF_INCH_M } }] : []),
    ...(rig.hoses === 1 ? [{ kind: 'second-hose' as const, options: { secondHose: true } }] : []),
    { kind: 'warmer', options: { warmerK: WARMER_K } },
    { kind: 'ballast', options: { ballast: true } },
    // also where the plate is as good: what the oil took from this car goes with it
    { kind: 'fresh-oil', options: { ultimatePa: Math.min(rig.ultimatePa, FRESH_OIL_PA) } },
  ]
}

/** Its words. */
export const changeWords = (kind: ChangeKind): string => WORDS[kind]

const WORDS: Record<ChangeKind, string> = {
  'cores-out': W.coresOut,
  'half-inch-hoses': W.hosesOf12In,
  'second-hose': W.aSecondHose,
  warmer: W.warmTheBayByK(WARMER_K),
  ballast: W.ballastOpen,
  'fresh-oil': W.freshPumpOil,
}
