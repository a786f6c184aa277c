import { waterSaturationPa } from '../fluids/water'
import { NEEDLE_HALF_WIDTH_PA } from '../units/constants'
import { kelvin } from '../units/temperature'

/** The depths that matter for one car at one place, Pa absolute, in no fixed order. */
export type Strata = {
  airPa: number
  needleLimitPa: number
  waterBoilsPa: number
  targetPa: number
  pumpFloorPa: number
}

/**
 * The named depths of this place.
 * @param barometerPa - air of the place, Pa
 * @param coldestC - coldest part of the system now, Celsius, -60 to 90
 * @param targetPa - target of the chosen procedure, Pa
 * @param pumpUltimatePa - what the pump reaches blanked off, Pa
 * @throws OutOfRange when the temperature is outside the water equation
 */
export function strataOf(barometerPa: number, coldestC: number, targetPa: number, pumpUltimatePa: number): Strata {
  return {
    airPa: barometerPa,
    needleLimitPa: NEEDLE_HALF_WIDTH_PA,
    waterBoilsPa: waterSaturationPa(kelvin(coldestC)),
    targetPa,
    pumpFloorPa: pumpUltimatePa,
  }
}

/** Where a reading may be drawn: below its own limit a needle knows no depth. */
export const drawnPa = (gauge: 'electronic' | 'needle', pressurePa: number): number =>
  gauge === 'needle' ? Math.max(pressurePa, NEEDLE_HALF_WIDTH_PA) : pressurePa

/** Place on the log depth scale: 0 at `surfacePa`, 1 at `bottomPa`, clamped; both Pa absolute and positive. */
export function depthShare(pressurePa: number, surfacePa: number, bottomPa: number): number {
  if (!(pressurePa > 0)) return 1
  const share = Math.log(surfacePa / pressurePa) / Math.log(surfacePa / bottomPa)
  return Math.min(1, Math.max(0, share))
}

/** The drawn depth goes this far below the pump's floor, as a share of its pressure. */
const BELOW_FLOOR = 0.55

/** Deepest pressure drawn, Pa. */
export const bottomOf = (strata: Strata): number => strata.pumpFloorPa * BELOW_FLOOR

/** The depths in the order they lie, the air first: whichever water and needle are the deeper here. */
export const inDepth = (strata: Strata): { name: 'air' | 'needle' | 'drying' | 'deep' | 'floor'; pa: number }[] =>
  [
    { name: 'air' as const, pa: strata.airPa },
    { name: 'needle' as const, pa: strata.needleLimitPa },
    { name: 'drying' as const, pa: strata.waterBoilsPa },
    { name: 'deep' as const, pa: strata.targetPa },
    { name: 'floor' as const, pa: strata.pumpFloorPa },
  ].sort((a, b) => b.pa - a.pa)
