import { leakGramsPerYear } from '../hold/leak-rate'
import { provesOfRule } from '../hold/proves'
import { figuresOf, type Stage } from '../job/stages'
import type { Procedure } from '../job/written'
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
    `By the clock, ${minutes} min`,
    'That the pump ran. Water may still be there, and a short hold hides small leaks.',
    pull(1000, minutes, 'minutes'),
    hold(10, { by: 'word' }, 'again'),
  )

/** The one a shop begins with (practice: the default). */
export const USUAL_SCHOOL = 'Weigh and measure'

/** Schools to begin from; each is copied, then edited. */
export const SCHOOLS: readonly School[] = [
  school(
    USUAL_SCHOOL,
    'Dry to a dew point near −24 °C, and no leak above the limit that volume and gauge give.',
    pull(500, 60),
    holdUntilDecided(30),
  ),
  school(
    'Leaks first, then water',
    'Large leaks before the long pull; the second hold tells small ones, and water from a leak.',
    pull(1000, 15),
    hold(20, { by: 'judge' }, 'fix'),
    pull(500, null),
    hold(30),
  ),
  byTheClock(15),
  byTheClock(30),
  byTheClock(45),
  school(
    'By the hours it was open',
    'An hour for a core or a switch, a night for major parts: dry where the story was told right.',
    pull(500, null),
    hold(45),
  ),
  school(
    'Triple, nitrogen between',
    'Water is swept out between the pulls; one hold at the end speaks for all three.',
    pull(1000, 20, 'minutes'),
    SWEEP,
    pull(1000, 20, 'minutes'),
    SWEEP,
    pull(500, 20),
    hold(30),
  ),
  school(
    'Deep',
    'Dry to a dew point near −33 °C; an hour of hold below 1,000 micron, by its own rule.',
    pull(200, 120),
    hold(60, { by: 'rule', rule: 'below-1000-1h' }, 'again'),
  ),
  school(
    'Overnight',
    'Small leaks, if the barometer and the temperature of the night are accounted for.',
    pull(500, 90),
    hold(720),
  ),
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
    ...(blind ? ['No pull of it ends by a depth: what is left of water nobody knows.'] : said.slice(0, 1)),
    ...said.slice(1),
    ...stages.flatMap((s): string[] => {
      if (s.kind !== 'hold') return []
      if (s.accept.by === 'word')
        return [
          'Whether it holds is a person’s word; the judge stands beside it, and the record says whose word it was.',
        ]
      if (s.accept.by === 'judge') return []
      const grams = leakGramsPerYear(RULE_LETS_PA_S[s.accept.rule], VOLUME_L, 'R-134a', STANDARD_ATMOSPHERE_PA).high
      return [
        `Its rule, ${RULE_NAMES[s.accept.rule]}, ` +
          `lets a leak of about ${Number(grams.toPrecision(1)).toLocaleString('en')} g a year through, worst case, ` +
          `on ${VOLUME_L} L; damp and leak it cannot tell apart.`,
      ]
    }),
  ]
}
