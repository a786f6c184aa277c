import { expect, test } from 'vitest'
import { type KnownPull, knownPull } from '../proving/pulls'
import type { PullStands } from './asked'
import { KeptPulls } from './kept-pulls'
import { whereItStands } from './running-pull'

/** A pull that gets there after some while and is said to, and the moment half way, s. */
function halfWay(seed: number): { pull: KnownPull; nowS: number } {
  for (let s = seed; ; s++) {
    const pull = knownPull(s)
    const nowS = (pull.truth.reachedS ?? 0) / 2
    // where half of the explanations never get there, the middle is there for one seed and not for the next
    if (nowS > 300 && whereItStands(askedAt(pull, nowS)).reaches > 0.75) return { pull, nowS }
  }
}
const askedAt = ({ told, readings }: KnownPull, nowS: number) => ({
  ...told,
  nowS,
  readings: readings.filter((r) => r.tS <= nowS),
  seed: 1,
})
const middle = (s: PullStands) => s.toTargetS.p50 ?? Number.POSITIVE_INFINITY

test('one more reading weighs what is kept: nothing is simulated, and the answer is near the fresh one @long', () => {
  const { pull, nowS } = halfWay(3)
  const kept = new KeptPulls()
  kept.look({ key: 'car', ...askedAt(pull, nowS) })
  // a fiftieth of the time later: so much less is left of it
  const laterS = nowS * 1.02
  const again = kept.look({ key: 'car', ...askedAt(pull, laterS) })
  expect(kept.fresh).toBe(1)
  const anew = whereItStands(askedAt(pull, laterS))
  expect(Math.abs(again.reaches - anew.reaches)).toBeLessThan(0.2)
  expect(middle(again) / middle(anew)).toBeGreaterThan(0.6)
  expect(middle(again) / middle(anew)).toBeLessThan(1.7)
}, 60_000)

test('what no kept explanation bears, and another car, are looked at afresh @long', () => {
  const { pull, nowS } = halfWay(3)
  const kept = new KeptPulls()
  const asked = askedAt(pull, nowS)
  kept.look({ key: 'car', ...asked })
  // something was opened: it stands far above where any of them would be
  const opened = { ...asked, nowS: nowS + 60, readings: asked.readings.map((r) => ({ ...r })) }
  for (let s = 10; s <= 60; s += 10) opened.readings.push({ tS: nowS + s, pa: 4000 })
  kept.look({ key: 'car', ...opened })
  expect(kept.fresh).toBe(2)
  kept.look({ key: 'another', ...opened })
  expect(kept.fresh).toBe(3)
}, 60_000)
