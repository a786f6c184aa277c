import * as z from 'zod'
import { verbatim } from '../entry/text'
import { OPENED } from '../job/events'
import { RigFile } from '../rig/rig-file'
import { PA_PER_MICRON } from '../units/constants'
import { NOISE_FRACTION, type PullAsked, type PullStands } from './asked'

/**
 * What a running pull's file says besides its readings; units are in the names. All but rig, gauge and target may be
 * left out.
 */
export const PullContextFile = z
  .strictObject({
    /** what is inside and how it started is what is asked: sources and start are left out */
    rig: RigFile,
    gauge: verbatim(60),
    target_micron: z.number().min(1).max(100_000),
    now_s: z.number().min(0).max(1e6).optional(),
    ambient_C: z.number().min(-60).max(95).optional(),
    barometer_Pa: z.number().min(30_000).max(120_000).optional(),
    ballast_open: z.boolean().optional(),
    story: z
      .strictObject({
        opened: z.enum(OPENED),
        open_hours: z.number().min(0).max(100_000).default(2),
        drier_replaced: z.boolean().default(true),
      })
      .default({ opened: 'component', open_hours: 2, drier_replaced: true }),
    instrument: z
      .strictObject({
        kind: z.enum(['electronic', 'needle']),
        resolution_Pa: z.number().min(0).max(20_000).optional(),
        noise_fraction: z.number().min(0).max(1).optional(),
      })
      .default({ kind: 'electronic' }),
  })
  .superRefine(({ rig, gauge }, context) => {
    if (rig.gauges.some((g) => g.id === gauge)) return
    const known = rig.gauges.map((g) => g.id).join(', ') || 'none'
    context.addIssue({
      code: 'custom',
      path: ['gauge'],
      message: `the rig has no gauge "${gauge}"; gauges are ${known}`,
    })
  })
export type PullContextFile = z.infer<typeof PullContextFile>

/**
 * The question a file asks.
 * @param readings - s since the pump drew on the car, Pa; in order of time
 */
export function askedOfFile(file: PullContextFile, readings: PullAsked['readings'], seed = 1): PullAsked {
  const { instrument, story } = file
  const rig = {
    ...file.rig,
    ambient_C: file.ambient_C ?? file.rig.ambient_C,
    barometer_Pa: file.barometer_Pa ?? file.rig.barometer_Pa,
  }
  return {
    rig,
    story: { opened: story.opened, openHours: story.open_hours, drierReplaced: story.drier_replaced },
    ballastOpen: file.ballast_open ?? null,
    gaugeNode: (rig.gauges.find((g) => g.id === file.gauge) as RigFile['gauges'][number]).at,
    farNode: farthestGauge(rig),
    targetPa: file.target_micron * PA_PER_MICRON,
    nowS: file.now_s ?? readings.at(-1)?.tS ?? 0,
    readings: instrument.kind === 'needle' ? [] : readings,
    noiseFraction: instrument.noise_fraction ?? NOISE_FRACTION,
    resolutionPa: instrument.resolution_Pa ?? PA_PER_MICRON,
    seed,
  }
}

/** Node of the gauge that is farthest from the pump, by what lies between. */
export function farthestGauge({ pump, links, gauges }: RigFile): string {
  const far = new Map([[pump.at, 0]])
  for (let changed = true; changed; ) {
    changed = false
    for (const link of links)
      for (const [a, b] of [
        [link.from, link.to],
        [link.to, link.from],
      ] as const) {
        const by = (far.get(a) ?? Number.POSITIVE_INFINITY) + link.length_m / link.bore_mm ** 3
        if (by < (far.get(b) ?? Number.POSITIVE_INFINITY)) {
          far.set(b, by)
          changed = true
        }
      }
  }
  const away = (node: string) => far.get(node) ?? Number.POSITIVE_INFINITY
  return gauges.reduce((a, b) => (away(b.at) > away(a.at) ? b : a)).at
}

/** The answer as its file writes it. */
export const standsAsFile = ({ farPa, reaches, toTargetS, stands, waterLeftG }: PullStands) => ({
  far_Pa: farPa,
  reaches,
  to_target_s: toTargetS,
  stands,
  water_left_g: waterLeftG,
})
