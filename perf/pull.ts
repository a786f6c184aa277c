import { type KnownPull, knownPull } from '@/core/proving/pulls'
import { KeptPulls } from '@/core/pull/kept-pulls'
import { whereItStands } from '@/core/pull/running-pull'
import { atMost, type Measure, percentile } from './measure'

const SEEDS_FROM = 1
const PULLS = 8
/** A pull that takes at least so long is looked at half way, s; readings come ten seconds apart. */
const LEAST_S = 600
const READINGS = 12

/** A running pull looked at half way: afresh, and with the readings that come after it, one by one. */
export function measurePull(): Measure[] {
  const pulls = longPulls()
  const looks = pulls.map((p) => ({ ...p.told, readings: p.readings, nowS: halfWay(p), seed: 1 }))
  for (const asked of looks.slice(0, 2)) whereItStands(asked)
  const fresh = looks.map((asked) => timed(() => whereItStands(asked)))
  const more: number[] = []
  let again = 0
  for (const asked of looks) {
    const kept = new KeptPulls()
    kept.look({ key: 'car', ...asked })
    for (let i = 1; i <= READINGS; i++) {
      const before = kept.fresh
      const took = timed(() => kept.look({ key: 'car', ...asked, nowS: asked.nowS + 10 * i }))
      if (kept.fresh === before) more.push(took)
      else again += 1
    }
  }
  return [
    atMost(`a running pull looked at afresh, 300 draws, median of ${fresh.length}`, percentile(fresh, 0.5), 'ms', 1500),
    atMost('the same, worst', Math.max(...fresh), 'ms', 3000),
    atMost(
      `one more reading of it, median of ${more.length} (${again} of ${READINGS * PULLS} were looked at afresh)`,
      percentile(more, 0.5),
      'ms',
      30,
    ),
    atMost('the same, 99 of 100', percentile(more, 0.99), 'ms', 30),
  ]
}

function longPulls(): KnownPull[] {
  const found: KnownPull[] = []
  for (let seed = SEEDS_FROM; found.length < PULLS; seed++) {
    const pull = knownPull(seed)
    if (pull.truth.reachedS === null || pull.truth.reachedS >= LEAST_S) found.push(pull)
  }
  return found
}

const halfWay = ({ truth }: KnownPull): number => (truth.reachedS ?? 3600) / 2

function timed(work: () => void): number {
  const began = performance.now()
  work()
  return performance.now() - began
}
