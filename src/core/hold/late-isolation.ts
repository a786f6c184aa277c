import { CrossProducts } from './cross-products'
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
/** A kink or a fall is looked for in so many samples at least. */
const LEAST_SAMPLES = 40
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

/**
 * Gas that equalises falls to no less than this share of the first reading: of 1,000 holds of the proving ground, whose
 * gas flows as the network has it, the deepest fell to 0.70. A pump goes on falling (assumed).
 */
const DEEPEST_SHARE = 0.5
/** The first reading is the mean of so many seconds, and the bottom of a fall comes no sooner; s. */
const FIRST_S = 20
const LEAST_FALL_S = 90

/** Where a fall may have ended, as shares of the record, and how it may rise from there, s. */
const END_SHARES = Array.from({ length: 68 }, (_, i) => 0.03 + 0.0125 * i)
const END_FALLS = [1.2, 1.8, 2.6, 3.6, 5]
const RISES_BEND_S = 300

/**
 * What fell as under a pump, which was shut off after the record says it was.
 * @returns s where the fall ends, or null where the record begins isolated
 */
export function isolatedLate(samples: readonly HoldSample[], context: HoldContext): number | null {
  const kink = lateIsolation(samples, context)
  if (kink !== null || (samples.length >= LEAST_SAMPLES && fellDeep(samples))) return fallEnds(samples, context)
  return slowFall(samples)
}

/** Falls deeper than gas that equalises does. */
function fellDeep(samples: readonly HoldSample[]): boolean {
  const startS = samples[0]?.elapsedS ?? 0
  const first = samples.filter((s) => s.elapsedS < startS + FIRST_S)
  const firstPa = first.reduce((sum, s) => sum + s.pressurePa, 0) / Math.max(1, first.length)
  const bottom = windowsOf(samples).reduce((least, w) => (w.pa < least.pa ? w : least), {
    atS: startS,
    pa: Number.POSITIVE_INFINITY,
  })
  return bottom.pa < DEEPEST_SHARE * firstPa && bottom.atS >= startS + LEAST_FALL_S
}

/** Where the fall ends by least squares: as a pump falls until then, a straight rise and one that bends from there. */
function fallEnds(samples: readonly HoldSample[], context: HoldContext): number {
  const startS = samples[0]?.elapsedS ?? 0
  const span = (samples.at(-1)?.elapsedS ?? 0) - startS
  let [found, least] = [startS, Number.POSITIVE_INFINITY]
  for (const share of END_SHARES)
    for (const falls of END_FALLS) {
      const left = misfitOf(samples, context, startS + share * span, (share * span) / falls)
      if (left < least) [found, least] = [startS + share * span, left]
    }
  return found
}

/** What a fall that ends there, and what rises from there, leave of a record; in squares of the noise. */
function misfitOf(samples: readonly HoldSample[], context: HoldContext, endS: number, tauS: number): number {
  const shapes = 4
  let products = new CrossProducts(shapes + 1)
  for (const { elapsedS, pressurePa } of samples) {
    const [before, after] = [Math.max(0, endS - elapsedS), Math.max(0, elapsedS - endS)]
    products.add(elapsedS, nominalPa(pressurePa, context), CORRELATION_S, (row) => {
      row[0] = 1
      row[1] = Math.exp(before / tauS) - 1
      row[2] = after
      row[3] = 1 - Math.exp(-after / RISES_BEND_S)
      row[shapes] = pressurePa
    })
  }
  for (let k = 0; k < shapes; k++) products = products.without(k, 1e9).products
  return products.get(shapes, shapes)
}

/** A fall too slow for gas that equalises. @returns s where it reaches its bottom, or null */
function slowFall(samples: readonly HoldSample[]): number | null {
  const windows = windowsOf(samples)
  const bottom = windows.reduce((least, w) => Math.min(least, w.pa), Number.POSITIVE_INFINITY)
  const late = windows.find((w) => w.atS >= EQUALISED_BY_S)
  const reached = windows.find((w) => w.pa <= AT_BOTTOM * bottom)
  if (!late || !reached || reached.atS < EQUALISED_BY_S) return null
  return (windows[0] as { pa: number }).pa >= FELL_FROM * bottom && late.pa >= STILL_ABOVE * bottom ? reached.atS : null
}

/** Means of a record a minute each. */
function windowsOf(samples: readonly HoldSample[]): { atS: number; pa: number }[] {
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
  return windows
}

/**
 * Finds a record that was not isolated at its first row: it falls as under a pump, and at once no more.
 * Gas that equalises falls too, but without a kink.
 * @returns s of the kink, or null
 */
function lateIsolation(samples: readonly HoldSample[], context: HoldContext): number | null {
  const first = samples[0]
  const last = samples[samples.length - 1]
  if (!first || !last || samples.length < LEAST_SAMPLES) return null
  const span = last.elapsedS - first.elapsedS
  const kinks = AT_SHARES.flatMap((share) =>
    FALLS.map((n) => ({ atS: first.elapsedS + share * span, tauS: (share * span) / n })),
  )
  const smooth = 2 + SMOOTH_TAUS_S.length
  const readings = smooth + kinks.length
  const products = new CrossProducts(readings + 1, smooth)
  for (const s of samples) {
    const sigma = nominalPa(s.pressurePa, context)
    products.add(s.elapsedS, sigma, CORRELATION_S, (row) => {
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
  let left = products
  const loose = 3 * Math.max(first.pressurePa, last.pressurePa)
  for (let k = 0; k < smooth; k++) left = left.without(k, k < 2 ? 1e6 : loose).products
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
