import { aheadAt, type Followed } from './ahead'
import type { PullAsked, PullStands } from './asked'
import { lnFit, weighedBy } from './fit'
import { explained, told } from './running-pull'
import { type Sooner, soonerBy } from './sooner'

/** A look at a running pull. */
export type PullLook = PullAsked & {
  /** which pull, of which car */
  key: string
}

/**
 * Explanations are weighed again by what was read since they were found, while so many of them still count, and while
 * the pull has not grown by more than this share and so many seconds (assumed): then others are looked for.
 */
const LEAST_COUNTING = 0.5
/** ... and while the best of them fits what is read now nearly as well as it did, in the logarithm (assumed). */
const WORSE = 1
const GROWN_BY = 0.25
const GROWN_S = 60
/** Pulls that are kept at most; the one that was looked at the longest ago is forgotten first. */
const MOST = 60

/** Where a pull stands, and what would bring it there sooner. */
export type PullLooked = PullStands & { sooner: Sooner[] }

type Kept = {
  print: string
  nowS: number
  followed: readonly Followed[]
  ln: readonly number[]
  sooner: Sooner[]
}

/**
 * Running pulls between two looks. A fresh look draws explanations and lets them walk, which takes a second; each was
 * followed to its end, so one more reading only weighs their curves again.
 */
export class KeptPulls {
  private readonly kept = new Map<string, Kept>()
  /** looks that were made afresh */
  fresh = 0

  look({ key, ...asked }: PullLook): PullLooked {
    const before = this.kept.get(key)
    const again = before && this.weighedAgain(before, asked)
    if (again) return { ...again, sooner: before.sooner }
    this.fresh += 1
    const followed = explained(asked)
    const weighed = weighedBy(asked)
    const sooner = soonerBy(asked, followed)
    this.kept.delete(key)
    this.kept.set(key, {
      print: printOf(asked),
      nowS: asked.nowS,
      followed,
      ln: followed.map((f) => lnFit(asked, f, weighed)),
      sooner,
    })
    if (this.kept.size > MOST) this.kept.delete(this.kept.keys().next().value as string)
    const stands = told(
      asked,
      followed.map((f) => aheadAt(f, asked.nowS)),
    )
    return { ...stands, sooner }
  }

  /** Null when what is kept bears it no longer. */
  private weighedAgain({ print, nowS, followed, ln }: Kept, asked: PullAsked): PullStands | null {
    if (asked.nowS < nowS || asked.nowS > nowS + Math.max(GROWN_S, GROWN_BY * nowS)) return null
    if (print !== printOf(asked)) return null
    const weighed = weighedBy(asked)
    const gains = followed.map((f, i) => lnFit(asked, f, weighed) - (ln[i] as number))
    const top = Math.max(...gains)
    if (top < -WORSE) return null
    const weights = gains.map((g) => Math.exp(g - top))
    const total = weights.reduce((a, b) => a + b, 0)
    const counting = total ** 2 / weights.reduce((sum, w) => sum + w * w, 0)
    if (counting < LEAST_COUNTING * followed.length) return null
    return told(
      asked,
      spread(weights, total).map((i) => aheadAt(followed[i] as Followed, asked.nowS)),
    )
  }
}

/** As many places as there are weights, each as often as it weighs. */
function spread(weights: readonly number[], total: number): number[] {
  const places: number[] = []
  let sum = 0
  for (const [i, weight] of weights.entries()) {
    sum += weight
    while ((places.length + 0.5) * (total / weights.length) < sum && places.length < weights.length) places.push(i)
  }
  return places
}

/** All that must be the same for explanations to be the same: everything but the readings and the moment. */
const printOf = ({ readings, atPump, nowS, ...rest }: PullAsked): string =>
  JSON.stringify([rest, readings.some((r) => r.tS <= nowS), (atPump?.length ?? 0) > 0])
