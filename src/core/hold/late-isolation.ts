import { Gram } from './gram'
import { nominalPa } from './noise'
import type { HoldContext, HoldSample } from './types'

/** A kink is looked for in so many samples at most. */
export const MOST_FOR_KINKS = 300
/**
 * Where the pump may have been shut off, as shares of the record, and how fast the fall may have been, in time
 * constants until then.
 */
const AT_SHARES = [0.08, 0.12, 0.17, 0.22, 0.28, 0.34, 0.4, 0.46, 0.52, 0.58, 0.65, 0.72, 0.8]
const FALLS = [1.2, 2.6, 4.5]
/** Smooth shapes a hold can have, s: whatever they follow is no kink. */
const SMOOTH_TAUS_S = [30, 120, 400]
/** Noise is taken by the book, lasting so long, s. */
const CORRELATION_S = 20
/** The kink must explain so much more, in squares of the noise, and the fall be so deep beside what is read. */
const LEAST_GAIN = 45
const LEAST_FALL_SHARE = 0.15
const LEAST_FALL_NOISES = 7

/**
 * Gas that equalises is done by then, s; whoever still falls so far above the bottom, from so far above it, has a pump
 * on it (assumed).
 */
const EQUALISED_BY_S = 400
const STILL_ABOVE = 1.25
const FELL_FROM = 1.8
const WINDOW_S = 60
const AT_BOTTOM = 1.06

/** A fall too slow for gas that equalises. @returns s where it reaches its bottom, or null */
export function slowFall(samples: readonly HoldSample[]): number | null {
  const windows: { atS: number; pa: number }[] = []
  for (let i = 0; i < samples.length; ) {
    const from = (samples[i] as HoldSample).elapsedS
    let [n, t, pa] = [0, 0, 0]
    for (; i < samples.length && (samples[i] as HoldSample).elapsedS < from + WINDOW_S; i++, n++) {
      t += (samples[i] as HoldSample).elapsedS
      pa += (samples[i] as HoldSample).pressurePa
    }
    windows.push({ atS: t / n, pa: pa / n })
  }
  const bottom = windows.reduce((least, w) => Math.min(least, w.pa), Number.POSITIVE_INFINITY)
  const late = windows.find((w) => w.atS >= EQUALISED_BY_S)
  const reached = windows.find((w) => w.pa <= AT_BOTTOM * bottom)
  if (!late || !reached || reached.atS < EQUALISED_BY_S) return null
  return (windows[0] as { pa: number }).pa >= FELL_FROM * bottom && late.pa >= STILL_ABOVE * bottom ? reached.atS : null
}

/**
 * Finds a record that was not isolated at its first row: it falls as under a pump, and at once no more.
 * Gas that equalises falls too, but without a kink.
 * @returns s of the kink, or null
 */
export function lateIsolation(samples: readonly HoldSample[], context: HoldContext): number | null {
  const first = samples[0]
  const last = samples[samples.length - 1]
  if (!first || !last || samples.length < 40) return null
  const span = last.elapsedS - first.elapsedS
  const kinks = AT_SHARES.flatMap((share) =>
    FALLS.map((n) => ({ atS: first.elapsedS + share * span, tauS: (share * span) / n })),
  )
  const smooth = 2 + SMOOTH_TAUS_S.length
  const readings = smooth + kinks.length
  const gram = new Gram(readings + 1, smooth)
  for (const s of samples) {
    const sigma = nominalPa(s.pressurePa, context)
    gram.add(s.elapsedS, sigma, CORRELATION_S, (row) => {
      row[0] = 1
      row[1] = s.elapsedS / span
      for (const [k, tau] of SMOOTH_TAUS_S.entries()) row[2 + k] = Math.exp(-s.elapsedS / tau)
      for (const [k, { atS, tauS }] of kinks.entries())
        row[smooth + k] =
          s.elapsedS < atS
            ? Math.exp(-(s.elapsedS - first.elapsedS) / tauS) - Math.exp(-(atS - first.elapsedS) / tauS)
            : 0
      row[readings] = s.pressurePa
    })
  }
  let left = gram
  const loose = 3 * Math.max(first.pressurePa, last.pressurePa)
  for (let k = 0; k < smooth; k++) left = left.without(k, k < 2 ? 1e6 : loose).gram
  let found: number | null = null
  let most = LEAST_GAIN
  for (const [k, { atS, tauS }] of kinks.entries()) {
    const own = left.get(smooth + k, smooth + k)
    if (!(own > 1e-9)) continue
    const size = left.get(smooth + k, readings) / own
    const gain = size * size * own
    const at = samples.find((s) => s.elapsedS >= atS) ?? last
    const fall = size * (1 - Math.exp(-(atS - first.elapsedS) / tauS))
    if (
      size <= 0 ||
      gain < most ||
      fall < LEAST_FALL_SHARE * at.pressurePa ||
      fall < LEAST_FALL_NOISES * nominalPa(at.pressurePa, context)
    )
      continue
    if (first.pressurePa < (1 + LEAST_FALL_SHARE) * at.pressurePa) continue
    most = gain
    found = atS
  }
  return found
}
