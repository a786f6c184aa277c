import type { HoldSample } from './types'

/** Averages samples into at most `most` slices of equal time. */
export function binned(samples: readonly HoldSample[], most: number): HoldSample[] {
  if (samples.length <= most) return [...samples]
  const from = (samples[0] as HoldSample).elapsedS
  const span = (samples[samples.length - 1] as HoldSample).elapsedS - from + 1e-9
  const out: HoldSample[] = []
  let slice = -1
  let [t, p, n] = [0, 0, 0]
  const flush = () => {
    if (n > 0) out.push({ elapsedS: t / n, pressurePa: p / n, count: n })
    t = p = n = 0
  }
  for (const s of samples) {
    const own = Math.floor(((s.elapsedS - from) / span) * most)
    if (own !== slice) flush()
    slice = own
    const count = s.count ?? 1
    t += s.elapsedS * count
    p += s.pressurePa * count
    n += count
  }
  flush()
  return out
}
