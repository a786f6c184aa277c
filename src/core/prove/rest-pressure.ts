import { restPressurePa } from '../fluids/refrigerant'
import type { Refrigerant } from '../fluids/refrigerants'

/** What a resting system's gauges say before anything is opened. */
export type RestFinding =
  | { kind: 'empty' }
  | { kind: 'refrigerant'; liquid: 'likely' | 'none' | 'too-high'; saturationPaG: number }
  | { kind: 'below-zero' }

/**
 * Reads the zero check: two gauge pressures with their common error, all Pa above the air of the place. Above zero by
 * more than the error means refrigerant inside; at the saturation pressure of this ambient liquid is left, well below
 * it none, above it air or a warmer spot. Below zero by more than the error is a vacuum or a needle off its zero.
 */
export function readRest(
  lowPaG: number,
  highPaG: number,
  errorPa: number,
  refrigerant: Refrigerant,
  ambientC: number,
  barometerPa: number,
): RestFinding {
  const most = Math.max(lowPaG, highPaG)
  const least = Math.min(lowPaG, highPaG)
  if (most > errorPa) {
    const saturationPaG = restPressurePa(refrigerant, ambientC) - barometerPa
    const margin = errorPa + 0.03 * saturationPaG
    const liquid = most > saturationPaG + margin ? 'too-high' : most >= saturationPaG - margin ? 'likely' : 'none'
    return { kind: 'refrigerant', liquid, saturationPaG }
  }
  return least < -errorPa ? { kind: 'below-zero' } : { kind: 'empty' }
}
