const AIR_VISCOSITY_PA_S = 1.82e-5
/** Mean thermal speed of air at 293 K, m/s. */
const AIR_SPEED_M_S = 463
/** Flow in a tube is limited to this speed, m/s (model.md section 4). */
const CHOKE_M_S = 200

export type Line = { boreMm: number; lengthM: number; hoses: number }

/**
 * Gas flowing from a car through one or two equal hoses into a pump, quasi-steady, viscous and molecular together.
 * @param carPa - total pressure in the car, Pa absolute
 * @param speedM3S - pump speed at its inlet, m3/s
 * @param ultimatePa - where the pump stops, Pa absolute
 * @returns flow in Pa m3/s, and the pressure at the pump, Pa
 */
export function pullFlow(carPa: number, line: Line, speedM3S: number, ultimatePa: number): { flowPaM3S: number; pumpPa: number } {
  const d = line.boreMm / 1000
  const area = (Math.PI / 4) * d * d * line.hoses
  const viscous = (line.hoses * Math.PI * d ** 4) / (128 * AIR_VISCOSITY_PA_S * line.lengthM)
  const molecular = ((area * AIR_SPEED_M_S) / 4) * (1 / (1 + (3 * line.lengthM) / (4 * d)))
  // speed (pp - ult) = viscous (p^2 - pp^2) / 2 + molecular (p - pp), a quadratic in the pump pressure pp
  const a = viscous / 2
  const b = molecular + speedM3S
  const c = -(a * carPa ** 2 + molecular * carPa + speedM3S * ultimatePa)
  const pumpPa = (-b + Math.sqrt(b * b - 4 * a * c)) / (2 * a)
  const free = Math.max(0, speedM3S * (pumpPa - ultimatePa))
  return { flowPaM3S: Math.min(free, CHOKE_M_S * area * carPa), pumpPa }
}
