import * as z from 'zod'
import { verbatim } from '../entry/text'
import { REFRIGERANTS } from '../fluids/refrigerants'
import { GRAMS_PER_OUNCE, METRES_PER_MM } from '../units/constants'
import type { ChargePlan, ChargePlanInput, Container } from './plan'

const NotNegative = z.number().min(0)
const Grams = NotNegative.max(100_000)

/** Refrigerants a label may name that are recognised and not planned for, with the reason. */
export const REFUSED_REFRIGERANTS: Record<string, string> = {
  'R-12':
    'a car for R-12 is retrofit work: its charge is not the label’s any more, ask for the retrofit kit’s own figure',
  'R-744': 'carbon dioxide works above 100 bar: it takes equipment and training of its own',
}

const RefrigerantName = verbatim(100).superRefine((name, ctx) => {
  const refused = REFUSED_REFRIGERANTS[name]
  if (refused) ctx.addIssue({ code: 'custom', message: `"${name}" is not planned for: ${refused}` })
  else if (!(REFRIGERANTS as readonly string[]).includes(name))
    ctx.addIssue({ code: 'custom', message: `"${name}" is not known; expected one of ${REFRIGERANTS.join(', ')}` })
})

const ContainerFile = z
  .strictObject({
    id: verbatim(100),
    kind: z.enum(['can', 'cylinder']),
    refrigerant: verbatim(100).optional(),
    gross_g: z.number().positive().max(100_000),
    net_g: z.number().positive().max(100_000).optional(),
    tare_g: Grams.optional(),
    volume_L: z.number().positive().max(100).optional(),
  })
  .superRefine((c, ctx) => {
    const refuse = (path: string, message: string) => ctx.addIssue({ code: 'custom', path: [path], message })
    if (c.tare_g === undefined && c.net_g === undefined)
      refuse('net_g', 'a full can needs its net weight, anything else its tare_g')
    else if (c.tare_g !== undefined && c.gross_g < c.tare_g)
      refuse(
        'gross_g',
        `${c.gross_g} g is less than its own empty weight of ${c.tare_g} g: check gross, tare and what lay on ` +
          `the scale`,
      )
    else if (c.tare_g === undefined && c.net_g !== undefined && c.gross_g <= c.net_g)
      refuse('gross_g', `${c.gross_g} g gross is not above ${c.net_g} g net: was the net weight taken for the gross?`)
  })

/** What a plan file may say (formats.md); units are in the names. */
export const ChargeFile = z
  .strictObject({
    refrigerant: RefrigerantName,
    target: z.union([
      z.strictObject({ g: z.number().positive().max(20_000) }),
      z
        .strictObject({ low_g: z.number().positive().max(20_000), high_g: z.number().positive().max(20_000) })
        .refine((t) => t.high_g >= t.low_g, {
          path: ['high_g'],
          error: 'the upper end must not be below the lower end',
        }),
    ]),
    tolerance_g: z.number().positive().max(1000).optional(),
    ambient_C: z
      .number()
      .min(-26, 'ambient_C must lie between -26 and 60 C, where the refrigerant is tabled')
      .max(60, 'ambient_C must lie between -26 and 60 C, where the refrigerant is tabled'),
    scale_step_g: z.number().positive().max(1000),
    hose: z.strictObject({
      bore_mm: z.number().positive().max(50),
      length_m: NotNegative.max(50),
      phase: z.enum(['vapour', 'liquid']),
      drawn_down: z.boolean(),
    }),
    purge_g_each: NotNegative.max(200),
    purge_on_change: z.boolean().optional(),
    containers: z.array(ContainerFile).min(1).max(20),
  })
  .superRefine((file, ctx) => {
    for (const [i, c] of file.containers.entries()) {
      if (file.containers.findIndex((o) => o.id === c.id) < i)
        ctx.addIssue({
          code: 'custom',
          path: ['containers', i, 'id'],
          message: `"${c.id}" is there twice; each container is listed once`,
        })
      if (c.refrigerant !== undefined && c.refrigerant !== file.refrigerant)
        ctx.addIssue({
          code: 'custom',
          path: ['containers', i, 'refrigerant'],
          message: `it holds ${c.refrigerant}, the label asks for ${file.refrigerant}: never mix, take another container`,
        })
    }
  })
export type ChargeFile = z.infer<typeof ChargeFile>

/** Tolerance of a label that names none, g (practice: ranges of ±15 to ±30 g; assumed). */
const USUAL_TOLERANCE_G = 15

export function inputOfFile(file: ChargeFile): ChargePlanInput {
  const target =
    'g' in file.target
      ? { lowG: file.target.g, highG: file.target.g }
      : { lowG: file.target.low_g, highG: file.target.high_g }
  return {
    refrigerant: file.refrigerant as ChargePlanInput['refrigerant'],
    target,
    toleranceG: file.tolerance_g ?? Math.max(USUAL_TOLERANCE_G, (target.highG - target.lowG) / 2),
    ambientC: file.ambient_C,
    scaleStepG: file.scale_step_g,
    hose: {
      boreM: file.hose.bore_mm * METRES_PER_MM,
      lengthM: file.hose.length_m,
      phase: file.hose.phase,
      drawnDown: file.hose.drawn_down,
    },
    purgeEachG: file.purge_g_each,
    purgeOnChange: file.purge_on_change ?? true,
    containers: file.containers.map(
      (c): Container => ({
        id: c.id,
        kind: c.kind,
        grossG: c.gross_g,
        netG: c.net_g,
        tareG: c.tare_g,
        volumeL: c.volume_L,
      }),
    ),
  }
}

/** A plan as the command line writes it. */
export function planAsFile(plan: ChargePlan) {
  return {
    steps: plan.steps.map((s) => ({
      id: s.id,
      start_gross_g: s.startGrossG,
      stop_gross_g: s.stopGrossG,
      stop_gross_oz: s.stopGrossG / GRAMS_PER_OUNCE,
      taken_g: s.takenG,
      purge_g: s.purgeG,
      emptied: s.emptied,
    })),
    target_g: plan.targetG,
    weighed_out_g: plan.weighedOutG,
    delivered_g: plan.deliveredG,
    hose_hold_up_g: plan.hoseHoldUpG,
    short_g: plan.shortG,
    band_g: plan.bandG,
    meets_tolerance: plan.meetsTolerance,
    warnings: plan.warnings,
  }
}
