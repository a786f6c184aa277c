import type { HoldContext, HoldResult, HoldSample } from './types'

/*
 * A verdict taken at each moment alone turned to and fro on wet cars, up to seven times in four hours: chances hover
 * about a cut while a bend goes on. So a finding wants to be found twice, and stands until it is refuted twice, at
 * moments that depend on nothing but the clock: the same record gives the same answer to whoever judges it, however
 * often it was looked at.
 */

/** Moments looked at: the judge's first minutes, then each so many times the one before; s. */
const FIRST_LOOK_S = 180
const APART = 1.1
/** No leak is found where a leak is this unlikely, and was hardly likelier at the moment before. */
const FOUND_TO = 0.1
const FOUND_TO_BEFORE = 0.2
/** ... or at once where it is this unlikely. */
const FOUND_AT_ONCE = 0.005
/** That is withdrawn where a leak is this likely, and was nearly so at the moment before. */
const WITHDRAWN_FROM = 0.8
const WITHDRAWN_FROM_BEFORE = 0.6
/** A leak beside water wants to have been as likely at the moment before; water that counts. */
const LEAK_BEFORE = 0.9
const BESIDE_WATER_FROM = 0.2

/** What a record's earlier moments say of the verdict now. */
export type Standing =
  /** the verdict of this moment is the verdict */
  | { kind: 'as-it-is' }
  /** it is too early for it: nothing is found yet */
  | { kind: 'open' }
  /** found to be without a leak at this moment, s since isolation, and not refuted since */
  | { kind: 'found'; sinceS: number }

export const AS_IT_IS: Standing = { kind: 'as-it-is' }
const OPEN: Standing = { kind: 'open' }

/**
 * Whether a finding stands.
 * @param now - what this moment alone says
 * @param leakAt - chance of a leak by what had been read up to there
 */
export function standingOf(now: HoldResult, leakAt: (elapsedS: number) => number): Standing {
  if (now.verdict === 'invalid') return AS_IT_IS
  const moments = momentsUpTo(now.heldS)
  if (moments.length === 0) return AS_IT_IS
  const { leak, damp } = now.probability
  if (now.verdict === 'leak' || now.verdict === 'leak-and-damp')
    return damp < BESIDE_WATER_FROM || leakAt(moments[0] as number) >= LEAK_BEFORE ? AS_IT_IS : OPEN
  if (leak <= FOUND_AT_ONCE) return AS_IT_IS
  for (const [i, atS] of moments.entries()) {
    const before = moments[i + 1]
    const chance = leakAt(atS)
    const earlier = before === undefined ? null : leakAt(before)
    const found = chance <= FOUND_AT_ONCE || (chance <= FOUND_TO && earlier !== null && earlier <= FOUND_TO_BEFORE)
    if (found) return { kind: 'found', sinceS: atS }
    if (chance >= WITHDRAWN_FROM && (earlier === null || earlier >= WITHDRAWN_FROM_BEFORE)) break
  }
  return OPEN
}

/** The moments looked at up to now, the latest first, s. */
function momentsUpTo(heldS: number): number[] {
  const count = Math.floor(Math.log(heldS / FIRST_LOOK_S) / Math.log(APART) + 1e-9) + 1
  return Array.from({ length: Math.max(0, count) }, (_, i) => FIRST_LOOK_S * APART ** (count - 1 - i))
}

/** Chances at earlier moments of records that were judged before: a running hold asks for the same ones each second. */
const KEPT = new Map<string, number>()
const MOST_KEPT = 4000

/** The same record up to the same moment was judged already, or is now. @param judge - the chance of a leak */
export function remembered(part: readonly HoldSample[], context: HoldContext, judge: () => number): number {
  const key = fingerprint(part, context)
  const known = KEPT.get(key)
  if (known !== undefined) return known
  const chance = judge()
  KEPT.set(key, chance)
  if (KEPT.size > MOST_KEPT) KEPT.delete(KEPT.keys().next().value as string)
  return chance
}

function fingerprint(part: readonly HoldSample[], context: HoldContext): string {
  let [sum, weighed] = [0, 0]
  for (const [i, s] of part.entries()) {
    sum += s.pressurePa
    weighed += s.pressurePa * (i + 1) + s.elapsedS
  }
  return `${part.length} ${sum} ${weighed} ${JSON.stringify(context)}`
}

/** What had been read by a time, s; samples are in order. */
export function upTo(samples: readonly HoldSample[], elapsedS: number): readonly HoldSample[] {
  let high = samples.length
  let low = 0
  while (low < high) {
    const middle = (low + high) >> 1
    if ((samples[middle] as HoldSample).elapsedS <= elapsedS) low = middle + 1
    else high = middle
  }
  return samples.slice(0, low)
}
