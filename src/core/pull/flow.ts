import type { DryPull } from './planner'

/** What the last stretch of a pull says by itself. */
export type Flow = {
  /** d ln(pressure) / dt, a minute, over the last stretch; null when there is too little of it */
  slopePerMin: number | null
  /** for how long it has been flat, s */
  flatS: number
  /**
   * what still comes in past the gauge, Pa m3/s: speed times pressure, less what the volume gives up; the hoses' own
   * gas counts with it; a hole on the other side shows to about a sixth (both tested)
   */
  incomingPaM3S: number | null
}

const LONGEST_S = 900
const SHORTEST_S = 60
const SLICES = 24
/** Flat is no more than this, a minute (assumed: 1 % of noise over ten minutes shows 0.002). */
const FLAT_PER_MIN = 0.006

/**
 * Slope and flow balance of a pull.
 * @param ahead - far side over reading
 */
export function flowOf(
  readings: readonly { tS: number; pressurePa: number }[],
  dry: DryPull,
  volumeL: number,
  ahead: number,
): Flow {
  const last = readings[readings.length - 1]
  if (!last) return { slopePerMin: null, flatS: 0, incomingPaM3S: null }
  const stretch = Math.min(LONGEST_S, Math.max(SHORTEST_S, 0.3 * last.tS))
  const slopePerMin = slopeOf(readings.filter((r) => r.tS >= last.tS - stretch))
  const farPa = last.pressurePa * ahead
  if (slopePerMin === null) return { slopePerMin, flatS: 0, incomingPaM3S: null }
  const speed = speedAt(dry, farPa)
  const incoming = speed * farPa + (volumeL / 1000) * farPa * (slopePerMin / 60)
  return { slopePerMin, flatS: flatFor(readings), incomingPaM3S: Math.max(0, incoming) }
}

/** Middle of the slopes between slices of a stretch (Theil and Sen), of the logarithm, a minute. */
function slopeOf(part: readonly { tS: number; pressurePa: number }[]): number | null {
  const first = part[0]
  const last = part[part.length - 1]
  if (!first || !last || part.length < 4 || last.tS - first.tS < 0.6 * SHORTEST_S) return null
  const slices: { t: number; ln: number }[] = []
  const each = Math.max(1, Math.floor(part.length / SLICES))
  for (let i = 0; i + each <= part.length; i += each) {
    const own = part.slice(i, i + each)
    slices.push({
      t: own.reduce((s, r) => s + r.tS, 0) / each / 60,
      ln: own.reduce((s, r) => s + Math.log(Math.max(1e-3, r.pressurePa)), 0) / each,
    })
  }
  const slopes: number[] = []
  for (let i = 0; i < slices.length; i++)
    for (let j = i + 1; j < slices.length; j++) {
      const [a, b] = [slices[i] as { t: number; ln: number }, slices[j] as { t: number; ln: number }]
      if (b.t > a.t) slopes.push((b.ln - a.ln) / (b.t - a.t))
    }
  slopes.sort((a, b) => a - b)
  return slopes[slopes.length >> 1] ?? null
}

/** How far back the logarithm stayed within what flat allows of its last value, s. */
function flatFor(readings: readonly { tS: number; pressurePa: number }[]): number {
  const tail = readings.slice(-8)
  const last = readings[readings.length - 1] as { tS: number }
  const now = tail.reduce((s, r) => s + Math.log(Math.max(1e-3, r.pressurePa)), 0) / tail.length
  let from = last.tS
  for (let i = readings.length - 1; i >= 0; i--) {
    const r = readings[i] as { tS: number; pressurePa: number }
    if (Math.abs(Math.log(Math.max(1e-3, r.pressurePa)) - now) > 0.06 + (FLAT_PER_MIN * (last.tS - r.tS)) / 60) break
    from = r.tS
  }
  return last.tS - from
}

/** Speed at the far side when it has this pressure, m3/s, from the dry pull; its ends hold beyond. */
export function speedAt({ speeds }: DryPull, farPa: number): number {
  const i = speeds.findIndex((s) => s.farPa <= farPa)
  const below = speeds[i < 0 ? speeds.length - 1 : i]
  const above = speeds[i <= 0 ? 0 : i - 1]
  if (!below || !above) return 0
  if (i <= 0 || above.farPa === below.farPa) return below.speedM3S
  const share = Math.log(above.farPa / farPa) / Math.log(above.farPa / below.farPa)
  return above.speedM3S + share * (below.speedM3S - above.speedM3S)
}
