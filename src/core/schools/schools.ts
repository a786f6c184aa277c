import { leakGramsPerYear } from '../hold/leak-rate'
import { provesOfRule } from '../hold/proves'
import { figuresOf, type Stage } from '../job/stages'
import type { Procedure } from '../job/written'
import { W } from '../language/schools/schools'
import { PA_PER_MICRON, STANDARD_ATMOSPHERE_PA } from '../units/constants'
import { RULE_LETS_PA_S, RULE_NAMES } from './rules'

/** A school as it ships: its stages, what they come to in four figures, and what it is good for. */
export type School = Procedure & { stages: Stage[]; proves: string }

const pull = (targetMicron: number, minutes: number | null, ends: 'target' | 'minutes' = 'target'): Stage => ({
  kind: 'pull',
  targetMicron,
  minutes,
  ends,
})
const hold = (
  minutes: number,
  accept: Extract<Stage, { kind: 'hold' }>['accept'] = { by: 'judge' },
  fails: Extract<Stage, { kind: 'hold' }>['fails'] = 'longer',
): Extract<Stage, { kind: 'hold' }> => ({ kind: 'hold', minutes, accept, fails })
/** Held for so long, and on until the judge can decide. */
const holdUntilDecided = (minutes: number): Stage => ({ ...hold(minutes), until: 'decided' })
const SWEEP: Stage = { kind: 'sweep', passes: 1, kPa: 20 }
const TO_THE_END: Stage[] = [{ kind: 'charge' }, { kind: 'proof', at: ['idle', 'at-speed'] }]

function school(name: string, proves: string, ...stages: Stage[]): School {
  const { targetMicron, ...minutes } = figuresOf(stages)
  return { name, proves, targetPa: targetMicron * PA_PER_MICRON, ...minutes, stages: [...stages, ...TO_THE_END] }
}

const byTheClock = (minutes: number): School =>
  school(
    W.byTheClockMin(minutes),
    W.thatThePumpRanWater,
    pull(1000, minutes, 'minutes'),
    hold(10, { by: 'word' }, 'again'),
  )

/** The one a shop begins with (practice: the default). */
export const USUAL_SCHOOL = W.weighAndMeasure

/** Schools to begin from; each is copied, then edited. */
export const SCHOOLS: readonly School[] = [
  school(USUAL_SCHOOL, W.dryToADewPoint, pull(500, 60), holdUntilDecided(30)),
  school(
    W.leaksFirstThenWater,
    W.largeLeaksBeforeTheLong,
    pull(1000, 15),
    hold(20, { by: 'judge' }, 'fix'),
    pull(500, null),
    hold(30),
  ),
  byTheClock(15),
  byTheClock(30),
  byTheClock(45),
  school(W.byTheHoursItWas, W.anHourForACore, pull(500, null), hold(45)),
  school(
    W.tripleNitrogenBetween,
    W.waterIsSweptOutBetween,
    pull(1000, 20, 'minutes'),
    SWEEP,
    pull(1000, 20, 'minutes'),
    SWEEP,
    pull(500, 20),
    hold(30),
  ),
  school(W.deep, W.dryToADewPointNear, pull(200, 120), hold(60, { by: 'rule', rule: 'below-1000-1h' }, 'again')),
  school(W.overnight, W.smallLeaksIfTheBarometer, pull(500, 90), hold(720)),
]

/** A single car's free volume, L, for what a rule lets through (assumed). */
const VOLUME_L = 2.5

/** What a procedure can and cannot prove, worked out stage by stage. */
export function provesOf(procedure: Pick<Procedure, 'targetPa' | 'pullMinutes' | 'holdMinutes' | 'stages'>): string[] {
  const stages = procedure.stages ?? []
  const pulls = stages.filter((s) => s.kind === 'pull')
  const blind = pulls.length > 0 && pulls.every((p) => p.ends === 'minutes')
  const said = provesOfRule(procedure)
  return [
    ...(blind ? [W.noPullOfItEnds] : said.slice(0, 1)),
    ...said.slice(1),
    ...stages.flatMap((s): string[] => {
      if (s.kind !== 'hold') return []
      if (s.accept.by === 'word') return [W.whetherItHoldsIsA]
      if (s.accept.by === 'judge') return []
      const grams = leakGramsPerYear(RULE_LETS_PA_S[s.accept.rule], VOLUME_L, 'R-134a', STANDARD_ATMOSPHERE_PA).high
      return [
        W.itsRuleLetsALeak(RULE_NAMES[s.accept.rule], Number(grams.toPrecision(1)).toLocaleString('en'), VOLUME_L),
      ]
    }),
  ]
}
