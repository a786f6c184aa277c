import { saturationPa } from '../fluids/refrigerant'
import type { Refrigerant } from '../fluids/refrigerants'
import type { JobState, Proof } from '../job/state'
import { W } from '../language/prove/bands'
import { kelvin } from '../units/temperature'

/** Low and high end of what is to be expected: pressures Pa above the air of the place, vent in Celsius. */
export type ProofBands = { lowPaG: [number, number]; highPaG: [number, number]; ventC: [number, number] }

export type ProofKey = keyof ProofBands
/** The scales proofs are drawn on, from and to: Pa above the air, and Celsius. */
export const PROOF_SCALES: readonly { key: ProofKey; name: string; from: number; to: number }[] = [
  { key: 'lowPaG', name: W.lowSide, from: -100_000, to: 600_000 },
  { key: 'highPaG', name: W.highSide, from: 0, to: 2_600_000 },
  { key: 'ventC', name: W.middleVent, from: -5, to: 30 },
]

/**
 * What moves typical readings besides the ambient: whether the engine idles, and the air's relative humidity, 0 to 1.
 */
export type Load = { idle?: boolean; humidity?: number | undefined }

/** Condensing above ambient, K; evaporating, Celsius; vent above evaporating, K (assumed, model.md section 10). */
const CONDENSING_ABOVE_K = [15, 30] as const
const EVAPORATING_C = [-2, 10] as const
const VENT_ABOVE_K = [4, 10] as const
/** What idle and damp air add to the upper ends, K: condensing, evaporating, vent (assumed: wider and higher). */
const IDLE_ADDS_K = { condensing: 8, evaporating: 4, vent: 3 }
const HUMID_ADDS_K = { condensing: 8, evaporating: 5, vent: 5 }
/** Air as dry as this adds nothing. */
const DRY = 0.4
/** What idle and damp air add makes no condenser hotter than this, Celsius: short of both critical points. */
const HOTTEST_C = 90

/**
 * Typical running readings at an ambient; the maker's chart leads where there is one.
 * @param ambientC - Celsius, up to about 60
 * @param barometerPa - air pressure of the place, Pa
 * @throws OutOfRange when ambient plus 30 K passes the critical point
 */
export function typicalBands(
  refrigerant: Refrigerant,
  ambientC: number,
  barometerPa: number,
  load: Load = {},
): ProofBands {
  const humid = Math.max(0, (load.humidity ?? DRY) - DRY) / (1 - DRY)
  const adds = (of: keyof typeof IDLE_ADDS_K) => (load.idle ? IDLE_ADDS_K[of] : 0) + HUMID_ADDS_K[of] * humid
  const gauge = (c: number) => saturationPa(refrigerant, kelvin(c)) - barometerPa
  const condensingTo = ambientC + CONDENSING_ABOVE_K[1]
  const evaporatingTo = EVAPORATING_C[1] + adds('evaporating')
  return {
    lowPaG: [gauge(EVAPORATING_C[0]), gauge(evaporatingTo)],
    highPaG: [
      gauge(ambientC + CONDENSING_ABOVE_K[0]),
      gauge(Math.max(condensingTo, Math.min(HOTTEST_C, condensingTo + adds('condensing')))),
    ],
    ventC: [EVAPORATING_C[0] + VENT_ABOVE_K[0], EVAPORATING_C[1] + VENT_ABOVE_K[1] + adds('vent')],
  }
}

/** The bands a reading of this job is held against: the maker's where they were entered, else the typical ones. */
export function bandsFor(
  { opened, makerBands }: JobState,
  reading?: Pick<Proof, 'ambientC' | 'engine' | 'humidity'>,
): ProofBands {
  const { label, place } = opened
  const typical = typicalBands(label.refrigerant, reading?.ambientC ?? place.ambientC, place.barometerPa, {
    idle: reading?.engine === 'idle',
    humidity: reading?.humidity,
  })
  return {
    lowPaG: makerBands?.lowPaG ?? typical.lowPaG,
    highPaG: makerBands?.highPaG ?? typical.highPaG,
    ventC: makerBands?.ventC ?? typical.ventC,
  }
}
