import { judgeHold } from '../hold/judge'
import type { HoldSample } from '../hold/types'
import { seededRandom } from '../units/seeded'
import { type KnownRecord, knownRecord } from './records'

/** Ways in which a record is made useless. */
export const SPOILS = ['gap', 'over range', 'jump', 'late isolation'] as const
export type Spoil = (typeof SPOILS)[number]

export type SpoiledRecord = {
  spoil: Spoil
  samples: HoldSample[]
  context: KnownRecord['context']
  fromS: number
  toS: number
}

/** A record of known truth with one thing gone wrong with it, and the span where. */
export function spoiledRecord(seed: number, spoil: Spoil): SpoiledRecord {
  const minutes = 30
  // over range is what a hole does that lets the gauge run into its limit; the others happen to any car
  const whole = knownRecord(seed, {
    minutes,
    everyS: 1,
    ...(spoil === 'over range' ? {} : { leakPaM3S: seed % 2 === 0 ? 0 : 2e-5 }),
  })
  const random = seededRandom(seed * 31 + 7)
  const span = minutes * 60
  const base = { spoil, context: whole.context }
  switch (spoil) {
    case 'gap': {
      const fromS = Math.round(span * (0.1 + 0.3 * random()))
      const toS = Math.round(fromS + span * (0.4 + 0.2 * random()))
      return { ...base, samples: whole.samples.filter((s) => s.elapsedS <= fromS || s.elapsedS >= toS), fromS, toS }
    }
    case 'over range': {
      // never shut in with the car, or the car at air: the gauge repeats its limit
      const limit = 2666 + 660 * random()
      return { ...base, samples: whole.samples.map((s) => ({ ...s, pressurePa: limit })), fromS: 0, toS: span }
    }
    case 'jump': {
      const atS = Math.round(span * (0.25 + 0.5 * random()))
      const at = whole.samples.find((s) => s.elapsedS >= atS) ?? (whole.samples[0] as HoldSample)
      const byPa =
        (random() < 0.5 ? -1 : 1) * Math.min(0.7 * at.pressurePa, Math.max(0.15 * at.pressurePa, 4 + 8 * random()))
      return {
        ...base,
        samples: whole.samples.map((s) => (s.elapsedS >= atS ? { ...s, pressurePa: s.pressurePa + byPa } : s)),
        fromS: atS - 1,
        toS: atS,
      }
    }
    case 'late isolation': {
      // the pump went on for a while after the record says it was shut off
      const toS = Math.round(span * (0.15 + 0.4 * random()))
      const first = (whole.samples[0] as HoldSample).pressurePa
      const above = first * (1.5 + 4 * random())
      const tau = toS / (1.5 + 2 * random())
      const bottom = Math.exp(-toS / tau)
      const samples = whole.samples.map((s) =>
        s.elapsedS < toS
          ? { ...s, pressurePa: first * (1 + 0.01 * (random() - 0.5)) + above * (Math.exp(-s.elapsedS / tau) - bottom) }
          : { ...s, pressurePa: whole.samples.find((w) => w.elapsedS >= s.elapsedS - toS)?.pressurePa ?? s.pressurePa },
      )
      return { ...base, samples, fromS: 0, toS }
    }
    default: {
      const unknown: never = spoil
      return unknown
    }
  }
}

/** True when it was called invalid and the span named meets the one that is bad, to a twentieth of the record. */
export function named({ samples, context, fromS, toS }: SpoiledRecord): boolean {
  const result = judgeHold(samples, context)
  const slack = 0.05 * ((samples[samples.length - 1] as HoldSample).elapsedS - (samples[0] as HoldSample).elapsedS)
  return (
    result.verdict === 'invalid' &&
    result.problems.some((p) => Math.abs(p.fromS - fromS) <= slack && Math.abs(p.toS - toS) <= slack)
  )
}
