import * as z from 'zod'
import { W } from '../language/job/stages'

/** Simple rules of the schools a hold may be accepted by; what each says is worked out in core/schools. */
export const RULE_IDS = [
  'needle-30',
  'micron-a-minute',
  'below-200',
  'below-1000-1h',
  'below-2500-3h',
  'needle-night',
] as const
export type RuleId = (typeof RULE_IDS)[number]

/** What a hold is accepted by: the judge, to a leak where one is given; a simple rule; or a person's word. */
export const Accept = z.discriminatedUnion('by', [
  z.strictObject({
    by: z.literal('judge'),
    gramsPerYear: z.number().min(1, W.fromAGramAYear).max(100_000).optional(),
  }),
  z.strictObject({ by: z.literal('rule'), rule: z.enum(RULE_IDS) }),
  z.strictObject({ by: z.literal('word') }),
])
export type Accept = z.infer<typeof Accept>

const Minutes = z.number().min(1, W.fromAMinute).max(1440, W.upToADay)
/** Nitrogen above this is no sweep of a vehicle's system, kPa above the air (the label's own limit leads). */
const MOST_SWEEP_KPA = 1000

/** One stage of a procedure as events and files write it. */
export const Stage = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('pull'),
    targetMicron: z.number().min(50, W.from50Micron).max(20_000, W.upTo20000Micron),
    /** null: by the time the system stood open */
    minutes: Minutes.nullable(),
    /** at its target, or when its minutes are over whatever the gauge shows */
    ends: z.enum(['target', 'minutes']),
  }),
  z.strictObject({
    kind: z.literal('sweep'),
    passes: z.number().int().min(1, W.onceAtLeast).max(9, W.nineTimesAtMost),
    kPa: z.number().min(5, W.from5KpaAboveThe).max(MOST_SWEEP_KPA, W.aboveWhatAnyLabelOf),
  }),
  z.strictObject({
    kind: z.literal('hold'),
    minutes: z.number().min(5, W.from5Minutes).max(1440, W.upToADay),
    /** goes on by itself past its minutes until the judge can decide, for a day at most */
    until: z.literal('decided').optional(),
    accept: Accept,
    /** what follows where it is not accepted */
    fails: z.enum(['again', 'longer', 'fix', 'lead']),
  }),
  /** the hoses alone, before they are on the car: what leaks there looks like a leaking car */
  z.strictObject({ kind: z.literal('hoses'), minutes: z.number().min(1, W.fromAMinute).max(60, W.upToAnHour) }),
  z.strictObject({ kind: z.literal('charge') }),
  z.strictObject({
    kind: z.literal('proof'),
    at: z
      .array(z.enum(['idle', 'at-speed']))
      .min(1, W.atOnePointAtLeast)
      .max(2),
  }),
])
export type Stage = z.infer<typeof Stage>
export type StageKind = Stage['kind']

export const Stages = z
  .array(Stage)
  .min(1)
  .max(12)
  .superRefine((stages, context) => {
    const fault = orderFault(stages)
    if (fault) context.addIssue({ code: 'custom', path: [fault.at], message: fault.reason })
  })

/** Stages that cannot follow one another: which, and why. */
export function orderFault(stages: readonly Pick<Stage, 'kind'>[]): { at: number; reason: string } | null {
  for (const [at, { kind }] of stages.entries()) {
    const before = stages[at - 1]?.kind
    const reason = {
      pull:
        before === 'pull'
          ? W.twoPullsWithNothingBetween
          : before === 'charge' || before === 'proof'
            ? W.nothingIsPulledOnA
            : null,
      hoses: at === 0 ? null : W.theHosesAreHeldAlone,
      sweep: before === 'pull' && stages[at + 1]?.kind === 'pull' ? null : W.aSweepStandsBetweenTwo,
      hold: before === 'pull' ? null : W.aHoldFollowsThePull,
      charge:
        before === 'hold' || before === 'pull'
          ? null
          : before === undefined
            ? W.aChargeGoesIntoA
            : W.aChargeFollowsAHold,
      proof: before === 'charge' ? null : W.aProofFollowsTheCharge,
    }[kind]
    if (reason) return { at, reason }
  }
  return null
}

/** The four figures of a procedure of stages: its last pull's depth and minutes, its last hold's. */
export function figuresOf(stages: readonly Stage[]): {
  targetMicron: number
  pullMinutes: number
  holdMinutes: number
} {
  const pull = stages.findLast((s) => s.kind === 'pull')
  const hold = stages.findLast((s) => s.kind === 'hold')
  return {
    targetMicron: pull?.targetMicron ?? USUAL.targetMicron,
    pullMinutes: pull?.minutes ?? USUAL.pullMinutes,
    holdMinutes: hold?.minutes ?? USUAL.holdMinutes,
  }
}
/** Weigh and measure (practice). */
const USUAL = { targetMicron: 500, pullMinutes: 60, holdMinutes: 30 }

/** What a procedure of four figures comes to: one pull, one hold that the judge decides, the charge and its proof. */
export const plainStages = (p: { targetMicron: number; pullMinutes: number; holdMinutes: number }): Stage[] => [
  { kind: 'pull', targetMicron: p.targetMicron, minutes: p.pullMinutes, ends: 'target' },
  { kind: 'hold', minutes: p.holdMinutes, accept: { by: 'judge' }, fails: 'longer' },
  { kind: 'charge' },
  { kind: 'proof', at: ['idle', 'at-speed'] },
]

/**
 * Minutes of a pull by what was opened (practice: an hour for a core or switch, overnight for major parts or a week).
 */
export const OPENED_MINUTES = { nothing: 30, 'cap-or-core': 60, component: 120, overnight: 720, days: 720 } as const
