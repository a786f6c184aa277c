import { type GramsPerYear, leakGramsPerYear } from '../hold/leak-rate'
import type { HoldContext, HoldSample } from '../hold/types'
import type { RuleId } from '../job/stages'
import { W } from '../language/schools/rules'
import { HOUR_S, MINUTE_S, NEEDLE_HALF_WIDTH_PA, PA_PER_MICRON } from '../units/constants'

/** What a school's simple rule would have said of a hold, when, and the leak it lets through on this volume. */
export type RuleSaid = {
  id: RuleId
  rule: string
  says: 'passes' | 'fails' | 'not yet'
  atS: number | null
  letsThrough: GramsPerYear
}

type Rule = {
  id: RuleId
  name: string
  /** what a needle can be held to; the others want a gauge that shows micron */
  byNeedle?: true
  /** passed once it fails at once; the others are looked at when they are over */
  ceiling?: true
  /** s it waits */
  waitS: number /** rise it still allows over that time, Pa/s */
  allowsPaS: number
  fails: (samples: readonly HoldSample[], context: HoldContext) => boolean
}

/** A wait that is over but for its last reading. */
const AS_GOOD_AS_OVER = 0.98

const micron = (n: number) => n * PA_PER_MICRON
const lastOf = (samples: readonly HoldSample[]) => samples[samples.length - 1] as HoldSample
const rose = (samples: readonly HoldSample[]) => lastOf(samples).pressurePa - (samples[0] as HoldSample).pressurePa
const ceilingOf = (id: RuleId, n: number, hours: number): Rule => ({
  id,
  name: W.staysBelowMicronFor(n.toLocaleString('en'), hours === 1 ? W.anHour : W.hours(hours)),
  ceiling: true,
  waitS: hours * HOUR_S,
  allowsPaS: micron(n) / (hours * HOUR_S),
  fails: (samples) => samples.some((s) => s.pressurePa > micron(n)),
})

/** The rules people go by (practice: what may rise). A needle is read to half an inch. */
const RULES: readonly Rule[] = [
  {
    id: 'needle-30',
    name: W.needleUnmovedAfter30Minutes,
    byNeedle: true,
    waitS: 30 * MINUTE_S,
    allowsPaS: NEEDLE_HALF_WIDTH_PA / (30 * MINUTE_S),
    fails: (samples) => Math.abs(rose(samples)) >= NEEDLE_HALF_WIDTH_PA,
  },
  {
    id: 'micron-a-minute',
    name: W.n1MicronAMinute,
    waitS: 15 * MINUTE_S,
    allowsPaS: micron(1) / 60,
    fails: (samples) =>
      rose(samples) / Math.max(1, lastOf(samples).elapsedS - (samples[0] as HoldSample).elapsedS) > micron(1) / 60,
  },
  {
    id: 'below-200',
    name: W.below200MicronAfter20,
    waitS: 20 * MINUTE_S,
    allowsPaS: micron(200) / (20 * MINUTE_S),
    fails: (samples) => lastOf(samples).pressurePa > micron(200),
  },
  ceilingOf('below-1000-1h', 1000, 1),
  ceilingOf('below-2500-3h', 2500, 3),
  {
    id: 'needle-night',
    name: W.overnightNeedleUnmoved,
    byNeedle: true,
    waitS: 12 * HOUR_S,
    allowsPaS: NEEDLE_HALF_WIDTH_PA / (12 * HOUR_S),
    fails: (samples) => Math.abs(rose(samples)) >= NEEDLE_HALF_WIDTH_PA,
  },
]

/**
 * Every rule this instrument can be held to on one record, beside the judge: what it would have said by now, and what
 * it proves at best.
 */
export function rulesOn(samples: readonly HoldSample[], context: HoldContext): RuleSaid[] {
  if (samples.length < 2) return []
  const held = lastOf(samples).elapsedS
  return RULES.filter((r) => r.byNeedle || context.instrument === 'electronic').map(
    ({ id, name, waitS, allowsPaS, fails, ceiling }) => {
      const within = samples.filter((s) => s.elapsedS <= waitS)
      const failed = within.length > 1 && fails(within, context)
      // a ceiling that is passed fails at once, a wait only at its end
      const early =
        failed && ceiling
          ? (within.find((_s, i) => i > 0 && fails(within.slice(0, i + 1), context))?.elapsedS ?? null)
          : null
      const done = held >= waitS * AS_GOOD_AS_OVER
      return {
        id,
        rule: name,
        says: early !== null ? 'fails' : !done ? 'not yet' : failed ? 'fails' : 'passes',
        atS: early ?? (done ? waitS : null),
        letsThrough: leakGramsPerYear(allowsPaS, context.volumeL, context.refrigerant, context.barometerPa),
      }
    },
  )
}

/** What each rule is called. */
export const RULE_NAMES = Object.fromEntries(RULES.map((r) => [r.id, r.name])) as Record<RuleId, string>

/** The rise each lets through, Pa/s. */
export const RULE_LETS_PA_S = Object.fromEntries(RULES.map((r) => [r.id, r.allowsPaS])) as Record<RuleId, number>
