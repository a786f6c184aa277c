import * as z from 'zod'
import { REFRIGERANTS } from '../fluids/refrigerants'
import { W } from '../language/hold/hold-file'
import { STANDARD_ATMOSPHERE_PA } from '../units/constants'
import { CARRIED_AT } from './carried'
import { priorsOfStory } from './story-priors'
import type { HoldContext, HoldResult, Problem } from './types'

const NotNegative = z.number().finite().min(0)
/** A rise by its quantiles, as a result hands it on; none where nothing speaks for such a leak. */
const Quantiles = z
  .array(z.number().finite().positive())
  .refine((q) => q.length === 0 || q.length === CARRIED_AT.length, { error: W.risesOrNone(CARRIED_AT.length) })

/** What a context file may say; only the volume and the kind of instrument must be there. Units are in the names. */
export const HoldContextFile = z.strictObject({
  volume_L: z.number().finite().positive().max(1000),
  instrument: z.strictObject({
    kind: z.enum(['electronic', 'needle']),
    resolution_Pa: z.number().finite().positive().max(50_000).optional(),
    noise_fraction: NotNegative.max(0.5).optional(),
  }),
  gauge_at: z.enum(['far', 'near', 'pump']).optional(),
  hoses_included: z.boolean().optional(),
  ambient_C: z.number().finite().min(-50).max(80).optional(),
  barometer_Pa: z.number().finite().min(30_000).max(120_000).optional(),
  refrigerant: z.enum(REFRIGERANTS).optional(),
  charge_g: NotNegative.max(100_000).optional(),
  open_hours: NotNegative.max(100_000).optional(),
  days_since_charge: NotNegative.max(100_000).optional(),
  grams_lost: NotNegative.max(100_000).optional(),
  planned_hold_s: z.number().finite().positive().max(1e7).optional(),
  previous_hold: z
    .strictObject({
      sustained_rise_Pa_s: z.union([z.number().finite(), z.looseObject({ value: z.number().finite() })]),
      probability: z.strictObject({ leak: NotNegative.max(1), damp: NotNegative.max(1) }),
      pulled_s_since: NotNegative,
      hands_on: z
        .strictObject({
          leak_and_damp: NotNegative.max(1),
          rise_if_dry_Pa_s: Quantiles,
          rise_if_wet_Pa_s: Quantiles,
        })
        .nullish(),
    })
    .optional(),
  hose_baseline_Pa_m3_s: NotNegative.max(1).optional(),
})
export type HoldContextFile = z.infer<typeof HoldContextFile>

const PLANNED_S = 1800
const AMBIENT_C = 25

/** The judge's context from a file's. @param heldS - length of the record, s: the plan when none is told */
export function contextOfFile(
  file: HoldContextFile,
  heldS: number,
  read: { barometerRead: boolean; ambientC: number | null; problems?: readonly Problem[] },
): HoldContext {
  const { instrument, previous_hold: previous } = file
  return {
    volumeL: file.volume_L,
    instrument: instrument.kind,
    resolutionPa: instrument.resolution_Pa,
    noiseFraction: instrument.noise_fraction,
    ambientC: file.ambient_C ?? read.ambientC ?? AMBIENT_C,
    barometerPa: file.barometer_Pa ?? STANDARD_ATMOSPHERE_PA,
    barometerRead: read.barometerRead,
    refrigerant: file.refrigerant ?? 'R-134a',
    plannedS: file.planned_hold_s ?? Math.max(PLANNED_S, heldS),
    hosesIncluded: file.hoses_included,
    hoseBaselinePaM3S: file.hoses_included === false ? undefined : file.hose_baseline_Pa_m3_s,
    priors: priorsOfStory({
      openHours: file.open_hours,
      days: file.days_since_charge,
      gramsLost: file.grams_lost,
      chargeG: file.charge_g,
    }),
    previous: previous && {
      risePaS:
        typeof previous.sustained_rise_Pa_s === 'number'
          ? previous.sustained_rise_Pa_s
          : previous.sustained_rise_Pa_s.value,
      leak: previous.probability.leak,
      damp: previous.probability.damp,
      pulledS: previous.pulled_s_since,
      carried: previous.hands_on
        ? {
            leakAndDamp: previous.hands_on.leak_and_damp,
            riseIfDryPaS: previous.hands_on.rise_if_dry_Pa_s,
            riseIfWetPaS: previous.hands_on.rise_if_wet_Pa_s,
          }
        : undefined,
    },
    readingProblems: read.problems,
  }
}

/** A result as the command line writes it; with `invalid` what cannot be known is null. */
export function resultAsFile(result: HoldResult, decidedAtS: number | null, more: readonly string[] = []) {
  const known = result.verdict !== 'invalid'
  const [atEnd, atDay] = result.projected
  return {
    verdict: result.verdict,
    probability: known ? result.probability : { leak: null, damp: null },
    priors: result.priors,
    sustained_rise_Pa_s: result.sustainedRisePaS,
    leak_g_per_year: result.leakGramsPerYear,
    detection_limit_g_per_year: result.detectionLimitGramsPerYear,
    projected_Pa: atEnd ? { at_s: atEnd.atS, value: atEnd.value, low: atEnd.low, high: atEnd.high } : null,
    projected_24h_Pa: atDay ? { at_s: atDay.atS, value: atDay.value, low: atDay.low, high: atDay.high } : null,
    water_g: result.waterG,
    decided_at_s: decidedAtS,
    decision_expected_s: result.decisionExpectedS,
    problems: result.problems.map((p) => ({ from_s: p.fromS, to_s: p.toS, code: p.code, what: p.what })),
    reasons: [...result.reasons, ...more],
    codes: result.codes,
    hands_on: result.carried && {
      leak_and_damp: result.carried.leakAndDamp,
      rise_if_dry_Pa_s: result.carried.riseIfDryPaS,
      rise_if_wet_Pa_s: result.carried.riseIfWetPaS,
    },
    cannot_see_below_g_per_year: result.cannotSeeBelowGramsPerYear,
  }
}
