import { judgeHold, judgeRecord } from '../hold/judge'
import type { Judged } from '../hold/judged'
import { leakGramsPerYear } from '../hold/leak-rate'
import { DEFAULT_PRIORS, dampAfter } from '../hold/priors'
import type { HoldResult, PreviousHold } from '../hold/types'
import { MINUTE_S } from '../units/constants'
import { type Figure, figure, percent, share } from './figures'
import { jointChances } from './joint'
import { type KnownRecord, knownRecord } from './records'
import { idealObserver, LEAST_CHI2 } from './score'

/** Two holds of one car in a row: how long each, what was pulled between them, and how often they were read. */
const HELD_MIN = 20
const PULLED_S = 30 * MINUTE_S
const EVERY_S = 2
/** What the second says knowing the first may lie so far from what both together say. */
const NEAR = 0.03

type Chances = { leak: number; damp: number }

/** Two holds of one car, nothing mended between, and what was said of each: the second knows the first. */
export type Pair = {
  first: KnownRecord
  second: KnownRecord
  said: [HoldResult, HoldResult]
  /** what the first handed on; none where it was spoilt */
  previous: PreviousHold | undefined
  tellable: boolean
}

/** A pair, the same for the same seed. */
export function knownPair(seed: number): Pair {
  const wish = { minutes: HELD_MIN, everyS: EVERY_S }
  const first = knownRecord(seed, wish)
  const second = knownRecord(seed, { ...wish, again: { heldS: HELD_MIN * MINUTE_S, pulledS: PULLED_S } })
  const before = judgeHold(first.samples, first.context)
  const previous = before.sustainedRisePaS
    ? {
        ...before.probability,
        risePaS: before.sustainedRisePaS.value,
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
    previous,
    tellable: chi2 >= LEAST_CHI2[first.truth.leakPaM3S > 0 ? 'leak' : 'tight'],
  }
}

/** What both records say together, by sums over every state of the car; null where one bears no judgement. */
export function jointOf({ first, second, previous }: Pair): Chances | null {
  if (!previous) return null
  const known = { ...second.context, previous }
  const records = [judgeRecord(first.samples, first.context), judgeRecord(second.samples, known)].map((r) => r.judged)
  if (records.some((r) => r === null)) return null
  const again = (damp: number) => dampAfter({ ...known, previous: { ...previous, damp, carried: undefined } }).tight
  return jointChances(records as [Judged, Judged], { ...DEFAULT_PRIORS, dampAgain: [again(0), again(1)] })
}

const leaks = ({ verdict }: HoldResult): boolean => verdict === 'leak' || verdict === 'leak-and-damp'
const tight = ({ verdict }: HoldResult): boolean => verdict === 'tight' || verdict === 'damp'

/** A leak that a finding of none would hide: one above the limit it states; smaller ones it never claimed to see. */
function hides({ first, said: [, after] }: Pair): boolean {
  const { truth, context } = first
  const own = leakGramsPerYear(
    truth.leakPaM3S / (context.volumeL / 1000),
    context.volumeL,
    context.refrigerant,
    context.barometerPa,
  )
  return truth.leakPaM3S > 0 && own.high > (after.detectionLimitGramsPerYear?.high ?? 0)
}

/**
 * Whether two holds in a row decide what the first alone leaves open, and say what both together say.
 * @param count - pairs; @param from - first seed
 */
export function provePairs(count: number, from = 1): Figure[] {
  const pairs = Array.from({ length: count }, (_, i) => knownPair(from + i))
  const open = pairs.filter(
    ({ said: [before, after] }) => before.verdict === 'undecided' && after.verdict !== 'invalid',
  )
  const tellable = open.filter((p) => p.tellable)
  const isDecided = ({ said: [, after] }: Pair) => leaks(after) || tight(after)
  const isWrong = (p: Pair) => (p.first.truth.leakPaM3S > 0 ? tight(p.said[1]) && hides(p) : leaks(p.said[1]))
  const off = open.flatMap((p) => offOf(p))
  const brier = (at: 0 | 1) =>
    open.reduce((sum, p) => sum + (p.said[at].probability.leak - (p.first.truth.leakPaM3S > 0 ? 1 : 0)) ** 2, 0) /
    Math.max(1, open.length)
  return [
    figure(
      'pairs both together can tell and the first leaves open: decided',
      percent(share(tellable, isDecided)),
      '%',
      tellable.length,
      { least: 90 },
    ),
    figure('· of these, decided wrongly', percent(share(tellable, isWrong)), '%', tellable.length, {}),
    figure('of all the first leaves open: decided', percent(share(open, isDecided)), '%', open.length, {}),
    figure(
      '· called leaking without a leak, or hiding one above the stated limit',
      percent(share(open, isWrong)),
      '%',
      open.length,
      {},
    ),
    figure('within 0.03 of both together', percent(share(off, (d) => d <= NEAR)), '%', off.length, { least: 90 }),
    figure(
      '· farthest from it',
      off.reduce((most, d) => Math.max(most, d), 0),
      '',
      off.length,
      {},
    ),
    figure('Brier score of these after the first hold', brier(0), '', open.length, {}),
    figure('· after the second', brier(1), '', open.length, {}),
  ]
}

/** How far the second's chances lie from what both together say, the larger of leak and water. */
function offOf(pair: Pair): number[] {
  const joint = jointOf(pair)
  const { leak, damp } = pair.said[1].probability
  return joint ? [Math.max(Math.abs(joint.leak - leak), Math.abs(joint.damp - damp))] : []
}
