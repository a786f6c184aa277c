import { NEEDLE_HALF_WIDTH_PA } from '../units/constants'
import type { ProblemCode, ReasonCode } from './codes'
import type { Finding } from './finding'
import type { Standing } from './standing'
import type { HoldContext, HoldSample, Problem, Verdict } from './types'

/** A reason whose code the judge knows. */
export type Reason = Finding & { code: ReasonCode | ProblemCode }

type Judgement = {
  verdict: Verdict
  used: readonly HoldSample[]
  risePaS: number
  leak: number
  damp: number
  problems: readonly Problem[]
  context: HoldContext
  /** what a needle that stood still cannot see, grams a year */
  unseen: number | null
  heldS: number
  /** what the record's earlier moments say of the verdict */
  standing: Standing
}

/** A needle that ended within its own error of where it began. */
export function stoodStill(used: readonly HoldSample[], { instrument }: HoldContext): boolean {
  const [first, last] = [used[0], used[used.length - 1]]
  if (instrument !== 'needle' || !first || !last) return false
  return Math.abs(last.pressurePa - first.pressurePa) <= NEEDLE_HALF_WIDTH_PA
}

/** Why the verdict is what it is, with figures. */
export function reasonsOf(judgement: Judgement): Reason[] {
  const { verdict, problems, damp, unseen } = judgement
  if (verdict === 'invalid') return spoilReasons(problems.filter((p) => p.spoils || p.unlessLeak))
  const noted = problems.filter((p) => !p.spoils).map((p): Reason => ({ code: p.code, of: { ...p.of, as: 'noted' } }))
  const because = ((): Reason[] => {
    switch (verdict) {
      case 'tight':
        return [moved('no-more-than-gauge-and-gas', judgement)]
      case 'damp':
        return [moved('bends', judgement)]
      case 'leak':
        return [moved('straight', judgement)]
      case 'leak-and-damp':
        return [moved('bends-and-stays', judgement)]
      default:
        if (unseen !== null) return stillReasons(judgement, unseen)
        return [moved(damp >= BENDS_FROM ? 'bends-leak-open' : 'several-fit', judgement)]
    }
  })()
  return [...because, ...standsReason(judgement), ...noted]
}

/** Up to this chance of a leak, and from this one on, this moment says the same by itself. */
const STANDS_WITHOUT_A_WORD = { noLeakTo: 0.1, leakFrom: 0.95 }
/** A finding that stands although this moment alone would leave it open. */
function standsReason({ leak, standing }: Judgement): Reason[] {
  if (standing.kind !== 'found') return []
  const { finding, sinceS } = standing
  const byItself =
    finding === 'no-leak' ? leak <= STANDS_WITHOUT_A_WORD.noLeakTo : leak >= STANDS_WITHOUT_A_WORD.leakFrom
  return byItself ? [] : [{ code: 'stands', of: { sinceS, leak, ...(finding === 'leak' && { leaks: 1 }) } }]
}

/** What spoils a record, with its span. */
export const spoilReasons = (problems: readonly Problem[]): Reason[] =>
  problems.map((p) => ({ code: p.code, of: { ...p.of, as: 'spoils', fromS: p.fromS, toS: p.toS } }))

/** Water is said to bend a curve from this chance of it on while a leak stays open. */
const BENDS_FROM = 0.95

/** What stood still proves, and what would prove more. */
function stillReasons({ heldS, context }: Judgement, unseenG: number): Reason[] {
  const of = { inS: heldS, unseenG }
  return [
    { code: 'needle-still', of },
    { code: 'needle-tells-more', of: { ...of, barometerRead: context.barometerRead ? 1 : 0 } },
  ]
}

/** How far it moved, in which time, and how fast what does not die goes on. */
function moved(code: ReasonCode, { used, risePaS, context }: Judgement): Reason {
  const [first, last] = [used[0] as HoldSample, used[used.length - 1] as HoldSample]
  return {
    code,
    of: {
      byPa: last.pressurePa - first.pressurePa,
      inS: last.elapsedS - first.elapsedS,
      risePaS,
      ...(context.instrument === 'needle' && { needle: 1 }),
    },
  }
}
