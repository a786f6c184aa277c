import { PA_PER_MICRON } from '../units/constants'
import type { HoldSample, Problem, Verdict } from './types'

/** Why the verdict is what it is, in a line or two with numbers. */
export function reasonsOf(
  verdict: Verdict,
  used: readonly HoldSample[],
  risePaS: number,
  { damp }: { leak: number; damp: number },
  problems: readonly Problem[],
): string[] {
  const first = used[0] as HoldSample
  const last = used[used.length - 1] as HoldSample
  const rose = Math.round((last.pressurePa - first.pressurePa) / PA_PER_MICRON)
  const minutes = Math.round((last.elapsedS - first.elapsedS) / 60)
  const moved = `It ${rose >= 0 ? 'rose' : 'fell'} ${Math.abs(rose).toLocaleString('en')} micron in ${minutes} minutes`
  const perMinute = ((risePaS / PA_PER_MICRON) * 60).toFixed(1)
  const noted = problems.filter((p) => !p.spoils).map((p) => `Noted: ${p.what}.`)
  switch (verdict) {
    case 'tight':
      return [`${moved}, which is no more than the gauge, the gas and the hoses do by themselves.`, ...noted]
    case 'damp':
      return [`${moved}, bending toward a level: water, not a hole.`, ...noted]
    case 'leak':
      return [`${moved}, as straight as a ruler: about ${perMinute} micron a minute that does not die.`, ...noted]
    case 'leak-and-damp':
      return [`${moved}: it bends at first, and about ${perMinute} micron a minute stays.`, ...noted]
    case 'invalid':
      return problems
        .filter((p) => p.spoils || p.unlessLeak)
        .map((p) => `The record cannot bear a judgement from ${clock(p.fromS)} to ${clock(p.toS)}: ${p.what}.`)
    default:
      return [
        damp >= 0.95
          ? `${moved}, and it bends: water. Whether a leak is beside it stays open.`
          : `${moved}. More than one shape still fits.`,
        ...noted,
      ]
  }
}

const clock = (s: number): string => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`
