import { DAY_S, NEEDLE_HALF_WIDTH_PA, PA_PER_INHG, PA_PER_MICRON } from '../units/constants'
import type { ProblemCode, ReasonCode } from './codes'
import type { Standing } from './standing'
import type { HoldContext, HoldSample, Problem, Verdict } from './types'

export type Reason = { code: ReasonCode | ProblemCode; words: string }

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

/** Why the verdict is what it is, in a line or two with numbers. */
export function reasonsOf(judgement: Judgement): Reason[] {
  const { verdict, problems, damp, unseen } = judgement
  if (verdict === 'invalid') return spoilReasons(problems.filter((p) => p.spoils || p.unlessLeak))
  const moved = movedWords(judgement)
  const stays = staysWords(judgement)
  const noted = problems.filter((p) => !p.spoils).map((p): Reason => ({ code: p.code, words: `Noted: ${p.what}.` }))
  const because = ((): Reason[] => {
    switch (verdict) {
      case 'tight':
        return [
          {
            code: 'no-more-than-gauge-and-gas',
            words: `${moved}, which is no more than the gauge, the gas and the hoses do by themselves.`,
          },
        ]
      case 'damp':
        return [{ code: 'bends', words: `${moved}, bending toward a level: water, not a hole.` }]
      case 'leak':
        return [{ code: 'straight', words: `${moved}, as straight as a ruler: about ${stays} that does not die.` }]
      case 'leak-and-damp':
        return [{ code: 'bends-and-stays', words: `${moved}: it bends at first, and about ${stays} stays.` }]
      default:
        if (unseen !== null) return stillReasons(judgement, unseen)
        return damp >= BENDS_FROM
          ? [
              {
                code: 'bends-leak-open',
                words: `${moved}, and it bends: water. Whether a leak is beside it stays open.`,
              },
            ]
          : [{ code: 'several-fit', words: `${moved}. More than one shape still fits.` }]
    }
  })()
  return [...because, ...standsReason(judgement), ...noted]
}

/** Up to this chance of a leak this moment says the same by itself. */
const STANDS_WITHOUT_A_WORD = 0.1
/** A finding that stands although this moment alone would leave it open. */
function standsReason({ verdict, leak, standing }: Judgement): Reason[] {
  if (standing.kind !== 'found' || leak <= STANDS_WITHOUT_A_WORD || (verdict !== 'tight' && verdict !== 'damp'))
    return []
  const words = `Found after ${spanWords(standing.sinceS)}; what was read since (a leak beside it: ${Math.round(100 * leak)} %) is too little to withdraw it.`
  return [{ code: 'stands', words }]
}

/** What spoils a record, with its span. */
export const spoilReasons = (problems: readonly Problem[]): Reason[] =>
  problems.map((p) => ({
    code: p.code,
    words: `The record cannot bear a judgement from ${clock(p.fromS)} to ${clock(p.toS)}: ${p.what}.`,
  }))

/** Water is said to bend a curve from this chance of it on while a leak stays open. */
const BENDS_FROM = 0.95
/** A night of the same needle, s. */
const NIGHT_S = DAY_S / 2

/** What stood still proves, and what would prove more. */
function stillReasons({ heldS, context }: Judgement, unseen: number): Reason[] {
  const longer = heldS < NIGHT_S / 2
  // its error is the same after a night: what it cannot see shrinks with the time held
  const byNight = rounded((unseen * heldS) / NIGHT_S)
  const barometer = context.barometerRead ? '' : ', the barometer read at both ends,'
  const night = longer
    ? `a night of the same needle${barometer} would show one of about ${byNight} g a year; `
    : context.barometerRead
      ? ''
      : 'the barometer read at both ends takes the weather out; '
  return [
    {
      code: 'needle-still',
      words: `The needle did not move in ${spanWords(heldS)}: no leak larger than about ${rounded(unseen)} g a year, worst case. Smaller ones it cannot see.`,
    },
    {
      code: 'needle-tells-more',
      words: `What would tell more: ${night}an electronic gauge sees far less in ten minutes; a charge with dye shows it on the road.`,
    },
  ]
}

function movedWords({ used, context }: Judgement): string {
  const first = used[0] as HoldSample
  const last = used[used.length - 1] as HoldSample
  const byPa = last.pressurePa - first.pressurePa
  const way = byPa >= 0 ? 'rose' : 'fell'
  const span = spanWords(last.elapsedS - first.elapsedS)
  // a needle knows no micron
  const by =
    context.instrument === 'needle'
      ? `${(Math.abs(byPa) / PA_PER_INHG).toFixed(1)} inHg`
      : `${Math.round(Math.abs(byPa) / PA_PER_MICRON).toLocaleString('en')} micron`
  return `It ${way} ${by} in ${span}`
}

function staysWords({ risePaS, context }: Judgement): string {
  if (context.instrument === 'needle') return `${((risePaS / PA_PER_INHG) * 3600).toFixed(1)} inHg an hour`
  return `${((risePaS / PA_PER_MICRON) * 60).toFixed(1)} micron a minute`
}

const spanWords = (s: number): string => {
  const minutes = Math.round(s / 60)
  return minutes < 180 ? `${minutes} minutes` : `${Number((s / 3600).toFixed(1))} hours`
}

const rounded = (grams: number): string => Number(grams.toPrecision(2)).toLocaleString('en')

const clock = (s: number): string => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`
