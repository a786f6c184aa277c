import * as z from 'zod'
import { Id } from '../entry/id'
import { Day } from '../entry/instant'
import { text } from '../entry/text'
import { REFRIGERANTS } from '../fluids/refrigerants'
import { LINK_KINDS } from '../job/link-kinds'

const Name = text(60, 1, 'a name people use')

/** What matters of each kind of equipment; units are in the names, days ISO 8601. */
export const SPECS = {
  pump: z.strictObject({
    speedCfm: z.number().min(0.2).max(30),
    stages: z.union([z.literal(1), z.literal(2)]),
    /** by its plate; a blank-off test says what it reaches now */
    ultimateMicron: z.number().min(1).max(5000),
  }),
  hose: z.strictObject({
    boreMm: z.number().min(1).max(30),
    lengthM: z.number().min(0.05).max(10),
    hoseKind: z.enum(LINK_KINDS),
    boughtOn: Day,
    sealsRenewedOn: Day,
  }),
  gauge: z.strictObject({
    gaugeKind: z.enum(['electronic', 'needle']),
    /** smallest step it shows; a needle about half an inch of mercury, 12,700 micron */
    resolutionMicron: z.number().min(0.1).max(50_000),
    calibratedOn: Day,
  }),
  scale: z.strictObject({ stepG: z.number().min(0.1).max(100), calibratedOn: Day }),
  container: z.strictObject({
    containerKind: z.enum(['can', 'cylinder']),
    refrigerant: z.enum(REFRIGERANTS),
    grossG: z.number().min(1).max(60_000),
    tareG: z.number().min(1).max(60_000),
  }),
} as const

export const EQUIPMENT_KINDS = ['pump', 'hose', 'gauge', 'scale', 'container'] as const
export type EquipmentKind = (typeof EQUIPMENT_KINDS)[number]

const of = <K extends EquipmentKind>(kind: K) =>
  z.strictObject({ id: Id, name: Name, kind: z.literal(kind), spec: SPECS[kind], retired: z.boolean() })

/** One thing on the shelf. */
export const Equipment = z.discriminatedUnion('kind', [
  of('pump'),
  of('hose'),
  of('gauge'),
  of('scale'),
  of('container').refine((c) => c.spec.grossG >= c.spec.tareG, {
    path: ['spec', 'grossG'],
    error: 'a container cannot weigh less than when it is empty',
  }),
])
export type Equipment = z.infer<typeof Equipment>
export type EquipmentOf<K extends EquipmentKind> = Extract<Equipment, { kind: K }>

const PressureReading = z.strictObject({
  atS: z.number().min(0).max(200_000),
  pa: z.number().min(0).max(120_000),
  typed: text(60),
})

/** What was done to a piece of equipment or found out about it. */
export const EQUIPMENT_DEEDS = {
  'oil-changed': z.strictObject({}),
  'seals-renewed': z.strictObject({}),
  calibrated: z.strictObject({}),
  'blank-off': z.strictObject({ readings: z.array(PressureReading).min(3, 'three readings at least').max(400) }),
  'hose-hold': z.strictObject({
    readings: z.array(PressureReading).min(4, 'four readings at least').max(400),
    volumeL: z.number().min(0.001).max(20),
  }),
} as const
export type EquipmentDeedKind = keyof typeof EQUIPMENT_DEEDS
export type PressureReading = z.infer<typeof PressureReading>

/** Deeds a kind of equipment can have. */
export const DEEDS_OF: Record<EquipmentKind, readonly EquipmentDeedKind[]> = {
  pump: ['oil-changed', 'blank-off'],
  hose: ['seals-renewed', 'hose-hold'],
  gauge: ['calibrated'],
  scale: ['calibrated'],
  container: [],
}

/** A deed as stored, newest first where there are several. */
export type EquipmentDeed = {
  [K in EquipmentDeedKind]: {
    id: string
    kind: K
    happenedAt: string
    by: string
    payload: z.infer<(typeof EQUIPMENT_DEEDS)[K]>
  }
}[EquipmentDeedKind]

/** Use since the pump's oil was last changed: counted from the pump being switched on and off on jobs. */
export type PumpUse = { hours: number; wetJobs: number; jobs: number }

/** One thing on the shelf with all that is known of it. */
export type Shelved = Equipment & { deeds: EquipmentDeed[]; use?: PumpUse }
