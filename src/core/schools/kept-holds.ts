import { RunningHold } from '../hold/running-hold'
import type { HoldContext, HoldResult, HoldSample } from '../hold/types'
import type { Judgement } from './judgement'
import { rulesOn } from './rules'

/** A look at a running hold: what is new of it, or all of it. */
export type HoldAsked = {
  /** which hold, of which car */
  key: string
  /** samples that were sent before; 0 sends all of them, and what was kept of the hold is forgotten */
  from: number
  elapsedS: Float64Array
  pressurePa: Float64Array
  context: HoldContext
}

/**
 * What a look came to: judged from scratch on everything; the last judgement stands, for what is new does not move it;
 * or nothing is kept of the samples before, and all are wanted.
 */
export type HoldLooked = { kind: 'judged'; judgement: Judgement } | { kind: 'stands' } | { kind: 'unknown' }

/**
 * A hold that has lasted so much longer is judged from scratch whatever the new samples say (assumed): what it proves
 * grows with its length, and typed readings stand minutes apart.
 */
const GROWN_BY = 0.1
/** The last judgement stands while neither chance moved by more than this. */
const MOVED = 0.03
/** Holds that are kept at most; the one that was looked at the longest ago is forgotten first. */
const MOST = 400

type Kept = { running: RunningHold; full: HoldResult; fullS: number; samples: HoldSample[] }

const lastS = (samples: readonly HoldSample[]): number => samples[samples.length - 1]?.elapsedS ?? 0

/**
 * Running holds between two looks. Everything that is told of one was judged from scratch on all its samples; between,
 * the new samples are weighed with the explanations that count, a twentieth of the work, to see whether that still
 * holds.
 */
export class KeptHolds {
  private readonly kept = new Map<string, Kept>()

  /** Looks at a hold. @throws nothing: samples that do not follow those before are asked for anew */
  look({ key, from, elapsedS, pressurePa, context }: HoldAsked): HoldLooked {
    const added = Array.from(elapsedS, (s, i): HoldSample => ({ elapsedS: s, pressurePa: pressurePa[i] as number }))
    const known = this.kept.get(key)
    if (from === 0) return this.judge(key, added, context)
    if (!known || known.samples.length !== from) return { kind: 'unknown' }
    known.samples.push(...added)
    // looked at last: it is forgotten last
    this.kept.delete(key)
    this.kept.set(key, known)
    if (lastS(known.samples) >= (1 + GROWN_BY) * known.fullS || !stillHolds(known, added))
      return this.judge(key, known.samples, context)
    return { kind: 'stands' }
  }

  private judge(key: string, samples: HoldSample[], context: HoldContext): HoldLooked {
    const running = new RunningHold(context, samples)
    const full = running.look()
    this.kept.delete(key)
    this.kept.set(key, { running, full, fullS: lastS(samples), samples: [...samples] })
    if (this.kept.size > MOST) this.kept.delete(this.kept.keys().next().value as string)
    return { kind: 'judged', judgement: { result: full, rules: rulesOn(samples, context) } }
  }
}

/** Whether the last judgement holds with the new samples; samples that cannot be added say that it does not. */
function stillHolds({ running, full }: Kept, added: readonly HoldSample[]): boolean {
  if (added.length === 0) return true
  try {
    const now = running.add(...added)
    const moved = (of: 'leak' | 'damp') => Math.abs((now.probability[of] ?? 0) - (full.probability[of] ?? 0))
    return now.verdict === full.verdict && moved('leak') <= MOVED && moved('damp') <= MOVED
  } catch (error) {
    if (error instanceof RangeError) return false
    throw error
  }
}
