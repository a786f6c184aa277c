import { DYING_POWER, OUTGASSING_FLOOR_S } from '../rig/outgassing'
import { HOUR_S } from '../units/constants'
/**
 * Gas the hoses inside the isolated part give by themselves: Pa m3/s at one hour under vacuum, what never dies, and how
 * long they were under vacuum before, s.
 */
export type HoseBackground = { atHourPaM3S: number; steadyPaM3S: number; vacuumBeforeS: number }

/**
 * Rise those hoses make in a hold: the integral of q (t / 1 h)^-0.7 plus what is steady, over the volume (model.md
 * section 4).
 * @param elapsedS - since isolation, s
 * @returns Pa
 */
export function hoseRisePa(
  { atHourPaM3S, steadyPaM3S, vacuumBeforeS }: HoseBackground,
  volumeL: number,
  elapsedS: number,
): number {
  const since = Math.max(OUTGASSING_FLOOR_S, vacuumBeforeS)
  const grown = ((since + elapsedS) ** (1 - DYING_POWER) - since ** (1 - DYING_POWER)) / (1 - DYING_POWER)
  return (atHourPaM3S * HOUR_S ** DYING_POWER * grown + steadyPaM3S * elapsedS) / (volumeL / 1000)
}
