import { judgeHold } from '../hold/judge'
import type { HoldResult } from '../hold/types'
import { MINUTE_S } from '../units/constants'
import { type Figure, figure, percent, share } from './figures'
import { type KnownRecord, knownRecord } from './records'
import { idealObserver, LEAST_CHI2 } from './score'

/** Two holds of one car in a row: how long each, what was pulled between them, and how often they were read. */
const HELD_MIN = 20
const PULLED_S = 30 * MINUTE_S
const EVERY_S = 2

/** Two holds of one car, nothing mended between, and what was said of each: the second knows the first. */
export type Pair = { first: KnownRecord; second: KnownRecord; said: [HoldResult, HoldResult]; tellable: boolean }

/** A pair, the same for the same seed. */
export function knownPair(seed: number): Pair {
  const wish = { minutes: HELD_MIN, everyS: EVERY_S }
  const first = knownRecord(seed, wish)
  const second = knownRecord(seed, { ...wish, again: { heldS: HELD_MIN * MINUTE_S, pulledS: PULLED_S } })
  const before = judgeHold(first.samples, first.context)
  const { leak, damp } = before.probability
  const previous = before.sustainedRisePaS
    ? {
        risePaS: before.sustainedRisePaS.value,
        leak,
        damp,
        pulledS: PULLED_S,
        carried: before.carried ?? undefined,
      }
    : undefined
  const after = judgeHold(second.samples, { ...second.context, previous })
  const chi2 = idealObserver(first).chi2 + idealObserver(second).chi2
  return {
    first,
    second,
    said: [before, after],
    tellable: chi2 >= LEAST_CHI2[first.truth.leakPaM3S > 0 ? 'leak' : 'tight'],
  }
}

const leaks = ({ verdict }: HoldResult): boolean => verdict === 'leak' || verdict === 'leak-and-damp'
const tight = ({ verdict }: HoldResult): boolean => verdict === 'tight' || verdict === 'damp'

/**
 * Whether two holds in a row decide what the first alone leaves open. @param count - pairs; @param from - first seed
 */
export function provePairs(count: number, from = 1): Figure[] {
  const pairs = Array.from({ length: count }, (_, i) => knownPair(from + i))
  const open = pairs.filter(
    ({ said: [before, after] }) => before.verdict === 'undecided' && after.verdict !== 'invalid',
  )
  const tellable = open.filter((p) => p.tellable)
  const isRight = ({ first, said: [, after] }: Pair) => (first.truth.leakPaM3S > 0 ? leaks(after) : tight(after))
  const isWrong = ({ first, said: [, after] }: Pair) => (first.truth.leakPaM3S > 0 ? tight(after) : leaks(after))
  const brier = (at: 0 | 1) =>
    open.reduce((sum, p) => sum + (p.said[at].probability.leak - (p.first.truth.leakPaM3S > 0 ? 1 : 0)) ** 2, 0) /
    Math.max(1, open.length)
  return [
    figure(
      'pairs both together can tell and the first leaves open: decided',
      percent(share(tellable, (p) => isRight(p) || isWrong(p))),
      '%',
      tellable.length,
      { least: 90 },
    ),
    figure('· of these, decided wrongly', percent(share(tellable, isWrong)), '%', tellable.length, {}),
    figure(
      'of all the first leaves open: decided',
      percent(share(open, (p) => isRight(p) || isWrong(p))),
      '%',
      open.length,
      {},
    ),
    figure('· called leaking without a leak, or tight with one', percent(share(open, isWrong)), '%', open.length, {}),
    figure('Brier score of these after the first hold', brier(0), '', open.length, {}),
    figure('· after the second', brier(1), '', open.length, {}),
  ]
}
