import * as z from 'zod'
import { text } from '../entry/text'
import { REFRIGERANTS } from '../fluids/refrigerants'
import { RigWritten } from '../job/events'
import { LEAK_PLACES, type LeakPlace } from '../job/leak'
import { LINK_KINDS } from '../job/link-kinds'

/** Where a simulated leak may sit. A core leaks only while no coupler seals it; a hose only while it is in the hold. */
export const LEAK_NODES = ['low', 'evaporator', 'rear', 'high', 'core-low', 'core-high', 'hose', 'manifold'] as const
export const WATER_PLACES = ['low', 'evaporator', 'rear', 'high'] as const

const Positive = z.number().finite().positive()
const Share = z.number().min(0).max(1)
const Seconds = z.number().finite().min(0).max(1e7)

/** What can be wrong with the simulated vacuum gauge; the defaults are a good instrument. */
const GaugeTruth = z.strictObject({
  /** its reading follows with this time constant, s */
  lagS: z.number().min(0).max(60).default(1),
  /** noise: a share of the reading, and a floor, micron */
  noiseShare: Share.max(0.2).default(0.004),
  noiseFloorMicron: z.number().min(0).max(100).default(1),
  /** above this it shows nothing, micron */
  overRangeMicron: Positive.max(760_000).default(25_000),
  /** silent between these seconds of the job */
  dropOuts: z
    .array(z.strictObject({ fromS: Seconds, toS: Seconds }))
    .max(20)
    .default([]),
  /** the reading jumps by so much from then on, micron: knocked, or oil on its sensor */
  jumps: z
    .array(z.strictObject({ atS: Seconds, micron: z.number().finite().min(-20_000).max(20_000) }))
    .max(20)
    .default([]),
  batteryDiesS: Seconds.nullable().default(null),
})
export type GaugeTruth = z.infer<typeof GaugeTruth>
export const GOOD_GAUGE: GaugeTruth = GaugeTruth.parse({})

/**
 * What a scenario hides; all of it may be left out, and is then as the car's story makes it. Units are in the names.
 */
export const HiddenTruth = z.strictObject({
  /** air flowing in at hard vacuum, at a node of the network; `place` is where a hand finds it and mends it */
  leaks: z
    .array(
      z.strictObject({
        at: z.enum(LEAK_NODES),
        airPaM3S: z.number().min(0).max(0.1),
        place: z.enum(LEAK_PLACES).optional(),
      }),
    )
    .max(10)
    .optional(),
  waterG: z.number().min(0).max(100).optional(),
  waterAt: z.enum(WATER_PLACES).optional(),
  boundG: z.number().min(0).max(100).optional(),
  boundTauS: Positive.max(1e5).optional(),
  hoseKind: z.enum(LINK_KINDS).optional(),
  /** `bent`: hardly any bore left; `out`: taken out through a core tool */
  core: z.enum(['in', 'out', 'bent']).optional(),
  /** water already in the pump's oil, g: each raises its ultimate */
  oilWaterG: z.number().min(0).max(50).optional(),
  humidity: Share.optional(),
  /**
   * what goes wrong while charging or running; `early`: it opens before it should, and the compressor goes on and off
   */
  pressureSwitch: z.enum(['good', 'unplugged', 'early']).optional(),
  /** how much of the expansion device is blocked: its low side runs into a vacuum */
  blocked: Share.optional(),
  gauge: GaugeTruth.optional(),
})
export type HiddenTruth = z.infer<typeof HiddenTruth>

/**
 * A scenario file: what is hidden in a simulated car, with its seed. The same seed and the same hands give the same
 * curve.
 */
export const Scenario = z.strictObject({
  format: z.literal('yperos-scenario'),
  version: z.literal(1),
  name: text(80),
  /** what the person at the car is told, which is not the fault */
  told: text(400),
  seed: z.number().int().min(0).max(4_294_967_295),
  hidden: HiddenTruth,
})
export type Scenario = z.infer<typeof Scenario>

/** What is really inside the simulated car and its rig; hidden from the technician. SI but for the named units. */
export const BenchTruth = HiddenTruth.extend({
  volumeL: Positive.max(50),
  /** the rig as the job names it; `line` and the pump's figures stand in for it when it is left out */
  rig: RigWritten.optional(),
  line: z.strictObject({ boreMm: Positive.max(60), lengthM: Positive.max(20), hoses: z.number().int().min(1).max(2) }),
  pumpCfm: Positive.max(60),
  ultimateMicron: Positive.max(10_000),
  /** air flowing in on the high side at hard vacuum, Pa m3/s, besides `leaks` */
  leakPaM3S: z.number().min(0).max(0.1),
  /** liquid water at the farthest evaporator unless `waterAt` says otherwise, g */
  waterG: z.number().min(0).max(100),
  /** water bound in oil and desiccant, g */
  boundG: z.number().min(0).max(100),
  /** what the car takes when it is full, g (assumed 160 g a litre unless told) */
  fullG: Positive.max(10_000).optional(),
  ambientC: z.number().min(-40).max(60),
  barometerPa: z.number().min(40_000).max(110_000),
  refrigerant: z.enum(REFRIGERANTS),
  seed: z.number().int().min(0),
})
export type BenchTruth = z.infer<typeof BenchTruth>

/** A car with a scenario's faults in it: the car and its rig stay, what is hidden is the scenario's. */
export function withScenario(truth: BenchTruth, scenario: Scenario): BenchTruth {
  return { ...truth, leakPaM3S: 0, leaks: [], ...scenario.hidden, seed: scenario.seed }
}

type LeakNode = (typeof LEAK_NODES)[number]
/** Places that mend a leak of a node of which nobody said where it is. */
const MENDED_AT: Record<LeakNode, (place: LeakPlace) => boolean> = {
  'core-low': (place) => place === 'port-low',
  'core-high': (place) => place === 'port-high',
  hose: (place) => place === 'rig',
  manifold: (place) => place === 'rig',
  evaporator: (place) => place === 'evaporator',
  rear: (place) => place === 'evaporator-rear' || place === 'joint-rear',
  low: (place) => ['hose-low', 'joint-suction', 'joint-evaporator'].includes(place),
  high: (place) => !['rig', 'hose-low', 'joint-suction', 'joint-evaporator', 'port-low', 'port-high'].includes(place),
}

/** A car whose leak at a place was mended: what leaks elsewhere still does. */
export function mendedAt(truth: BenchTruth, place: LeakPlace): BenchTruth {
  const stays = (leak: { at: LeakNode; place?: LeakPlace | undefined }) =>
    leak.place === undefined ? !MENDED_AT[leak.at](place) : leak.place !== place
  return {
    ...truth,
    leakPaM3S: stays({ at: 'high' }) ? truth.leakPaM3S : 0,
    leaks: (truth.leaks ?? []).filter(stays),
  }
}
