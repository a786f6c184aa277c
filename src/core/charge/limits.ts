import { saturationPa, withinTablesC } from '../fluids/refrigerant'
import type { Refrigerant } from '../fluids/refrigerants'
import type { JobState } from '../job/state'
import { kelvin } from '../units/temperature'

/**
 * The condenser stands this much above the air at most while a charge goes in, K; and no hotter than this, Celsius:
 * short of both critical points (assumed; the maker's chart and the label's warning lead).
 */
const CONDENSING_OVER_K = 42
const HOTTEST_C = 88
/** The low side lies so much below the air of the place: nothing flows into the compressor, Pa (a needle's error). */
const IN_VACUUM_PA = 7000

/** What the high side must not pass while a charge goes in at this ambient, Pa above the air. */
export const highCeilingPaG = (refrigerant: Refrigerant, ambientC: number, barometerPa: number): number =>
  saturationPa(refrigerant, kelvin(Math.min(HOTTEST_C, ambientC + CONDENSING_OVER_K))) - barometerPa

export type ChargePressure = 'high-over' | 'low-vacuum'

/**
 * What the two sides say while a charge goes in with the engine on; null while both are as they should be, or unread.
 * @param lowPa - Pa absolute
 * @param highPa - Pa absolute
 */
export const chargePressureOf = (
  { opened: { label, place } }: Pick<JobState, 'opened'>,
  sides: { lowPa?: number | undefined; highPa?: number | undefined },
): ChargePressure | null =>
  chargePressure({
    lowPa: sides.lowPa,
    highPa: sides.highPa,
    refrigerant: label.refrigerant,
    ambientC: withinTablesC(place.ambientC),
    barometerPa: place.barometerPa,
  })

/** The same from its figures. */
export function chargePressure(now: {
  lowPa: number | undefined
  highPa: number | undefined
  refrigerant: Refrigerant
  ambientC: number
  barometerPa: number
}): ChargePressure | null {
  const { lowPa, highPa, refrigerant, ambientC, barometerPa } = now
  if (highPa !== undefined && highPa - barometerPa > highCeilingPaG(refrigerant, ambientC, barometerPa))
    return 'high-over'
  return lowPa !== undefined && lowPa < barometerPa - IN_VACUUM_PA ? 'low-vacuum' : null
}
