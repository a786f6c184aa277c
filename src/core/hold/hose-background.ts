/**
 * Gas the hoses inside the isolated part give by themselves: Pa m3/s at one hour under vacuum, what never dies, and how
 * long they were under vacuum before, s.
 */
export type HoseBackground = { atHourPaM3S: number; steadyPaM3S: number; vacuumBeforeS: number }

const HOUR_S = 3600

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
  const since = Math.max(60, vacuumBeforeS)
  const grown = ((since + elapsedS) ** 0.3 - since ** 0.3) / 0.3
  return (atHourPaM3S * HOUR_S ** 0.7 * grown + steadyPaM3S * elapsedS) / (volumeL / 1000)
}
