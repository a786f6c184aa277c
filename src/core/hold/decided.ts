import { judgeHold } from './judge'
import { upTo } from './standing'
import type { HoldContext, HoldResult, HoldSample } from './types'

const LOOKS = 24
const FINER = 5

/**
 * Earliest time from which, judging only what had been read by then, the verdict was the final one and stayed so.
 * Looked for at times a tenth apart, then halved between.
 * @returns s since isolation; null while undecided or invalid
 */
export function decidedAt(samples: readonly HoldSample[], context: HoldContext, final: HoldResult): number | null {
  if (final.verdict === 'undecided' || final.verdict === 'invalid') return null
  const last = samples[samples.length - 1] as HoldSample
  const until = (elapsedS: number) => judgeHold(upTo(samples, elapsedS), context).verdict === final.verdict
  const from = Math.min(180, last.elapsedS)
  const times = Array.from({ length: LOOKS }, (_, i) => from * (last.elapsedS / from) ** (i / (LOOKS - 1)))
  let at = times.length - 1
  while (at > 0 && until(times[at - 1] as number)) at--
  if (at === 0) return times[0] as number
  let [no, yes] = [times[at - 1] as number, times[at] as number]
  for (let i = 0; i < FINER; i++) {
    const middle = (no + yes) / 2
    if (until(middle)) yes = middle
    else no = middle
  }
  return yes
}
