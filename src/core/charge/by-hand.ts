/** A weight read off the scale by eye: job time, ms, and g. */
export type ReadWeight = { at: number; value: number }

/** What weights read by eye tell of a flow. Times are job time, ms. */
export type HandFlow = {
  /** weights it stands on, the one it began with among them */
  weights: number
  nowG: number
  /** g/min, from the second weight on */
  flowGMin: number | null
  plusMinusGMin: number | null
  /** when to close, from the third on */
  closeMs: number | null
  plusMinusMs: number | null
  /** when the next weight helps, and about what it will be then; null while nothing flows */
  read: { atMs: number; thenG: number } | null
}

/** When a weight was read is known no better than this, s: a glance, a key, a breath (assumed). */
const GLANCE_S = 5
/** Weights the flow is fitted to at most: what flowed long ago flows no more. */
const NEWEST = 4
/** The next weight is asked for when this much of what is left has gone. */
const SHARE = 0.5
/** ... but no sooner and no later than this after the last, s: hands have other things to do, and a flow changes. */
const SOONEST_S = 30
const LATEST_S = 240
/** Below this nothing flows, g/min. */
const STANDS_G_MIN = 2

/**
 * Flow, and when to close, from weights that are typed: one says only what is in, two a flow, three a time to close by
 * with its plus and minus.
 * @param weights - in order of time, from when the valve was opened; the first is what it weighed then
 * @param stopG - gross to stop at, g
 * @param stepG - smallest step of the scale, g
 */
export function handFlow(weights: readonly ReadWeight[], stopG: number, stepG: number): HandFlow | null {
  const last = weights[weights.length - 1]
  if (!last) return null
  const nothing = { flowGMin: null, plusMinusGMin: null, closeMs: null, plusMinusMs: null, read: null }
  const base = { weights: weights.length, nowG: last.value }
  const fit = slopeOf(weights.slice(-NEWEST), stepG)
  if (!fit) return { ...base, ...nothing }
  const flowGMin = Math.max(0, -fit.slope * 60)
  const plusMinusGMin = fit.spread * 60
  if (flowGMin < STANDS_G_MIN) return { ...base, ...nothing, flowGMin, plusMinusGMin }
  const left = Math.max(0, last.value - stopG)
  const leftS = (left / flowGMin) * 60
  const readS = Math.min(LATEST_S, Math.max(SOONEST_S, leftS * SHARE))
  // the last weight's own error and the flow's, over what is left
  const spreadS = Math.hypot(GLANCE_S, (stepG / flowGMin) * 60, (leftS * plusMinusGMin) / flowGMin)
  const told = weights.length >= 3
  return {
    ...base,
    flowGMin,
    plusMinusGMin,
    closeMs: told ? last.at + leftS * 1000 : null,
    plusMinusMs: told ? spreadS * 1000 : null,
    read: readS < leftS ? { atMs: last.at + readS * 1000, thenG: last.value - (flowGMin / 60) * readS } : null,
  }
}

/** A straight line through the weights: g/s, and how far off it may be by the scale's step and the glance. */
function slopeOf(weights: readonly ReadWeight[], stepG: number): { slope: number; spread: number } | null {
  const [first, last] = [weights[0], weights[weights.length - 1]]
  if (!first || !last || last.at - first.at < SHORTEST_MS) return null
  const n = weights.length
  const t = weights.map((w) => (w.at - first.at) / 1000)
  const meanT = t.reduce((s, x) => s + x, 0) / n
  const meanG = weights.reduce((s, w) => s + w.value, 0) / n
  const tt = t.reduce((s, x) => s + (x - meanT) ** 2, 0)
  const slope = t.reduce((s, x, i) => s + (x - meanT) * ((weights[i] as ReadWeight).value - meanG), 0) / tt
  // each weight is off by its rounding, and by what flows during a glance
  const each = Math.hypot(stepG / Math.sqrt(12), Math.abs(slope) * GLANCE_S)
  const residual =
    n > 2
      ? Math.sqrt(
          weights.reduce((s, w, i) => s + (w.value - meanG - slope * ((t[i] as number) - meanT)) ** 2, 0) / (n - 2),
        )
      : 0
  return { slope, spread: (2 * Math.max(each, residual)) / Math.sqrt(tt) }
}

/** Two weights closer than this tell no flow, ms. */
const SHORTEST_MS = 10_000
