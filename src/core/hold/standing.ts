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
/** ... or at once where it is this unlikely; a leak is found at once where it is this likely. */
const FOUND_AT_ONCE = 0.005
const LEAK_AT_ONCE = 0.9995
/**
 * That is withdrawn where a leak is this likely at two moments in a row, or this at four, or at once where it is this
 * likely. (At 0.6 for four, water that comes late took a right finding back on 3 of 200 watched cars; at 0.85 a second of
 * 138 tellable leaks was called tight.)
 */
const WITHDRAWN_FROM = 0.9
const LIKELY = 0.8
const WITHDRAWN_AT_ONCE = 0.97
/**
 * A leak beside water wants to have been likely at the two moments before, this and this; water that counts. (Two
 * moments, at 0.97 and 0.95, left three of 138 tellable leaks open that three find, and called as many sound cars
 * leaking.)
 */
const LEAK_BEFORE = [0.9, 0.8] as const
const BESIDE_WATER_FROM = 0.2
/**
 * Before this, s, water has hardly shown itself: any leak wants this at three moments. (Half of the wet cars that were
 * called leaking at some minute were so before the eleventh.)
 */
const EARLY_S = 700
const LEAK_EARLY = 0.98
/**
 * A leak that was found is withdrawn where it is no likelier than this: to take a sound car apart is the dearer
 * mistake. (While it stood down to 0.6, a clean hold that bends was told "no need to wait" at 0.62.)
 */
const LEAK_WITHDRAWN_TO = 0.85

/** What a record's earlier moments say of the verdict now. */
export type Standing =
  /** the verdict of this moment is the verdict */
  | { kind: 'as-it-is' }
  /** it is too early for it: nothing is found yet */
  | { kind: 'open' }
  /** found to be without a leak, or to leak, at this moment, s since isolation, and not refuted since */
  | { kind: 'found'; finding: 'no-leak' | 'leak'; sinceS: number }

export const AS_IT_IS: Standing = { kind: 'as-it-is' }
const OPEN: Standing = { kind: 'open' }

/** What a moment says by itself: the chances, and whether it would be called leaking. */
export type Moment = Chances & { claims: boolean }
type Chances = { leak: number; damp: number }

/**
 * Whether a finding stands.
 * @param now - what this moment alone says
 * @param momentAt - what a moment said by what had been read up to there
 */
export function standingOf(now: HoldResult, momentAt: (elapsedS: number) => Moment): Standing {
  if (now.verdict === 'invalid') return AS_IT_IS
  const moments = momentsUpTo(now.heldS)
  const { leak } = now.probability
  if (moments.length === 0 || leak <= FOUND_AT_ONCE || leak >= LEAK_AT_ONCE) return AS_IT_IS
  const earlier = new Earlier(moments, momentAt)
  const stands = earlier.standing()
  const leaks = stands.kind === 'found' && stands.finding === 'leak'
  if (leaks && leak <= LEAK_WITHDRAWN_TO) return OPEN
  if (now.verdict !== 'leak' && now.verdict !== 'leak-and-damp') return stands
  if (leaks) return AS_IT_IS
  if (stands.kind === 'found' && !withdraws(leak, (ago) => earlier.at(ago - 1)?.leak ?? 0)) return stands
  return bornOut(now.probability, now.heldS, earlier, 0) ? AS_IT_IS : OPEN
}

/**
 * Whether a claim of a leak counts: early on, and beside water, it has to have been likely before.
 * @param place - of the moment before it
 */
function bornOut({ leak, damp }: Chances, atS: number, earlier: Pick<Earlier, 'at'>, place: number): boolean {
  const before = [earlier.at(place)?.leak ?? 0, earlier.at(place + 1)?.leak ?? 0]
  if (atS < EARLY_S) return [leak, ...before].every((chance) => chance >= LEAK_EARLY)
  return damp < BESIDE_WATER_FROM || LEAK_BEFORE.every((from, i) => (before[i] as number) >= from)
}

/**
 * Whether a finding of no leak is withdrawn by a moment and those before it.
 * @param before - how likely a leak was some moments ago
 */
const withdraws = (leak: number, before: (ago: number) => number): boolean =>
  leak >= WITHDRAWN_AT_ONCE ||
  (leak >= WITHDRAWN_FROM && before(1) >= WITHDRAWN_FROM) ||
  (leak >= LIKELY && [1, 2, 3].every((ago) => before(ago) >= LIKELY))

/** A record's earlier moments, the latest first, each judged when it is asked for. */
class Earlier {
  private readonly known: Moment[] = []

  constructor(
    private readonly moments: readonly number[],
    private readonly momentAt: (elapsedS: number) => Moment,
  ) {}

  at(place: number): Moment | undefined {
    const atS = this.moments[place]
    if (atS === undefined) return undefined
    this.known[place] ??= this.momentAt(atS)
    return this.known[place]
  }

  /** Goes back to the last moment that leaves no doubt, whatever was before it, and on from there. */
  standing(): Standing {
    let place = 0
    while (place < this.moments.length && !this.foundNoLeak(place) && !this.surelyLeaks(place)) place++
    let stands: Standing = OPEN
    for (; place >= 0; place--) stands = this.after(stands, place)
    return stands
  }

  private after(before: Standing, place: number): Standing {
    if (place >= this.moments.length) return before
    const sinceS = this.moments[place] as number
    const kept = this.withdraws(before, place) ? OPEN : before
    if (this.foundNoLeak(place)) return { kind: 'found', finding: 'no-leak', sinceS }
    if (kept.kind !== 'open' || !this.claims(place)) return kept
    return { kind: 'found', finding: 'leak', sinceS }
  }

  private withdraws(before: Standing, place: number): boolean {
    if (before.kind !== 'found') return false
    return before.finding === 'no-leak' ? this.refutesNoLeak(place) : (this.at(place)?.leak ?? 1) <= LEAK_WITHDRAWN_TO
  }

  private refutesNoLeak(place: number): boolean {
    return withdraws(this.at(place)?.leak ?? 0, (ago) => this.at(place + ago)?.leak ?? 0)
  }

  private foundNoLeak(place: number): boolean {
    const [own, before] = [this.at(place), this.at(place + 1)]
    if (!own) return false
    return own.leak <= FOUND_AT_ONCE || (own.leak <= FOUND_TO && before !== undefined && before.leak <= FOUND_TO_BEFORE)
  }

  private claims(place: number): boolean {
    const own = this.at(place)
    return own?.claims === true && bornOut(own, this.moments[place] as number, this, place + 1)
  }

  /** Found to leak even where the opposite stood before. */
  private surelyLeaks(place: number): boolean {
    return this.claims(place) && this.refutesNoLeak(place)
  }
}

/** The moments looked at up to now, the latest first, s. */
function momentsUpTo(heldS: number): number[] {
  const count = Math.floor(Math.log(heldS / FIRST_LOOK_S) / Math.log(APART) + 1e-9) + 1
  return Array.from({ length: Math.max(0, count) }, (_, i) => FIRST_LOOK_S * APART ** (count - 1 - i))
}

/** Earlier moments of records that were judged before: a running hold asks for the same ones each second. */
const KEPT = new Map<string, Moment>()
const MOST_KEPT = 4000

/** The same record up to the same moment was judged already, or is now. @param judge - what that says */
export function remembered(part: readonly HoldSample[], context: HoldContext, judge: () => Moment): Moment {
  const key = fingerprint(part, context)
  const known = KEPT.get(key)
  if (known !== undefined) return known
  const said = judge()
  KEPT.set(key, said)
  if (KEPT.size > MOST_KEPT) KEPT.delete(KEPT.keys().next().value as string)
  return said
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
