import { W } from '../language/hold/running-hold'
import { conclude } from './conclude'
import { judgeHold, judgeRecord, judgeStanding } from './judge'
import type { Judged } from './judged'
import { noiseOf, stepsOf } from './noise'
import { logSum } from './normal'
import { type Hypothesis, weigh } from './posterior'
import type { Cleaned } from './problems'
import type { Standing } from './standing'
import type { HoldContext, HoldResult, HoldSample, Shape } from './types'

/** A full look is due when the record has grown by this share, and by so many samples. */
const GROWN_BY = 0.03
const GROWN_LEAST = 20
/** So many of the heaviest explanations are weighed again with each sample; the rest keep their share. */
const WEIGHED_AGAIN = 60
const SHAPES: readonly Shape[] = ['tight', 'damp', 'leak', 'leak-and-damp']

/** The last full look: what was found, and what each shape's explanations that are not weighed again add, ln. */
type Look = {
  judged: Judged
  cleaned: Cleaned
  wanted: ReadonlySet<number>
  left: Record<Shape, number>
  step: number
  /** what the moments before the last full look say of the verdict */
  standing: Standing
  /** what it hands on, as of then: a hold is ended on a judgement of everything */
  carried: HoldResult['carried']
}

/**
 * A hold that is judged while it runs. Each sample is added to the sums of the last full look, with its shapes and
 * noise, and the explanations that count are weighed again. A full look, as `judgeHold` makes it on everything, is due
 * as soon as `isDue` says so; whoever owns the hold takes it when there is time.
 */
export class RunningHold {
  readonly context: HoldContext
  private readonly samples: HoldSample[] = []
  private last: Look | null = null
  private looked = 0

  constructor(context: HoldContext, samples: readonly HoldSample[] = []) {
    this.context = context
    this.samples.push(...samples)
  }

  get count(): number {
    return this.samples.length
  }

  /** True when the record has grown enough for another look at all of it. */
  get isDue(): boolean {
    return this.last === null || this.samples.length - this.looked >= Math.max(GROWN_LEAST, GROWN_BY * this.looked)
  }

  /**
   * Adds samples, and weighs once what they come to.
   * @throws RangeError when one lies before the last one, or is no finite pressure of zero or more: the record stays as
   *   it was
   */
  add(...added: readonly HoldSample[]): HoldResult {
    let before = this.samples[this.samples.length - 1]
    for (const sample of added) {
      if (!(Number.isFinite(sample.pressurePa) && sample.pressurePa >= 0))
        throw new RangeError(W.aPressureOfPaIs(sample.pressurePa))
      if (!Number.isFinite(sample.elapsedS) || (before && sample.elapsedS <= before.elapsedS))
        throw new RangeError(`${sample.elapsedS} s does not follow ${before?.elapsedS} s`)
      before = sample
    }
    this.samples.push(...added)
    if (!this.last || added.length === 0) return this.look()
    const { judged, cleaned, wanted, left, step, standing, carried } = this.last
    const { scale, correlationS } = judged.noise
    let products: ReturnType<typeof judged.curve.add> | undefined
    for (const sample of added) {
      cleaned.samples.push(sample)
      const noise = noiseOf([sample], Float64Array.of(step), this.context, scale, correlationS)
      products = judged.curve.add(sample, noise.sigma[0] as number, noise.correlationS)
    }
    const hypotheses = weigh(products as NonNullable<typeof products>, judged.bends, judged.prior, wanted).map((h) => ({
      ...h,
      log: h.log + left[h.shape],
    }))
    return conclude({ ...judged, hypotheses }, this.samples, cleaned, this.context, standing, carried)
  }

  /** Judges everything read so far from scratch. */
  look(): HoldResult {
    this.looked = this.samples.length
    const made = judgeRecord(this.samples, this.context)
    if (!made.judged) {
      this.last = null
      return judgeHold(this.samples, this.context)
    }
    const { judged, cleaned } = made
    const { result, standing } = judgeStanding(this.samples, this.context, made)
    const steps = stepsOf(this.samples.slice(-60), this.context)
    this.last = {
      judged,
      cleaned: { ...cleaned, samples: [...cleaned.samples] },
      ...heaviest(judged.hypotheses),
      step: steps[steps.length - 1] as number,
      standing,
      carried: result.carried,
    }
    return result
  }
}

/** Keys of the heaviest explanations, and for each shape how much heavier it is with all of its own than with those. */
function heaviest(hypotheses: readonly Hypothesis[]): Pick<Look, 'wanted' | 'left'> {
  const sorted = [...hypotheses].sort((a, b) => b.log - a.log)
  const wanted = new Set(sorted.slice(0, WEIGHED_AGAIN).map((h) => h.key))
  const left = Object.fromEntries(
    SHAPES.map((shape) => {
      const own = hypotheses.filter((h) => h.shape === shape)
      const kept = own.filter((h) => wanted.has(h.key))
      return [shape, kept.length > 0 ? logSum(own.map((h) => h.log)) - logSum(kept.map((h) => h.log)) : 0]
    }),
  ) as Record<Shape, number>
  return { wanted, left }
}
