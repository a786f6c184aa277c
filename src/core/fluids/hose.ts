/** Densities in a hose, kg/m3: liquid about 1.2 g/mL, vapour about 0.03 (model.md section 9). */
const HOSE_DENSITY = { liquid: 1200, vapour: 30 }

/** Refrigerant a filled hose holds, g. */
export function hoseContentG(hose: { boreM: number; lengthM: number; phase: 'liquid' | 'vapour' }): number {
  const volumeM3 = (Math.PI / 4) * hose.boreM ** 2 * hose.lengthM
  return volumeM3 * HOSE_DENSITY[hose.phase] * 1000
}
