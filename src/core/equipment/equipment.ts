import * as z from 'zod'
import { Id } from '../entry/id'
import { Day } from '../entry/instant'
import { text } from '../entry/text'
import { REFRIGERANTS } from '../fluids/refrigerants'
import { LINK_KINDS } from '../job/link-kinds'
import { asWritten } from '../job/written'
import { W } from '../language/equipment/equipment'
import { CUBIC_METRES_S_PER_CFM, METRES_PER_MM, PA_PER_MICRON } from '../units/constants'

const Name = text(60, 1, W.aNamePeopleUse)

/** What matters of each kind of equipment, as it is written down; units are in the names, days ISO 8601. */
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
    /** what it is kept for; the cart when it is not said */
    use: z.enum(['cart', 'recovery']).optional(),
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

/** One thing on the shelf as it is written down. */
export const EquipmentWritten = z.discriminatedUnion('kind', [
  of('pump'),
  of('hose'),
  of('gauge'),
  of('scale'),
  of('container').refine((c) => c.spec.grossG >= c.spec.tareG, {
    path: ['spec', 'grossG'],
    error: W.aContainerCannotWeighLess,
  }),
])
export type EquipmentWritten = z.infer<typeof EquipmentWritten>
type WrittenOf<K extends EquipmentKind> = Extract<EquipmentWritten, { kind: K }>

/** The same as the core knows it: m3/s, m, Pa. */
type PumpSpec = Omit<WrittenOf<'pump'>['spec'], 'speedCfm' | 'ultimateMicron'> & {
  speedM3S: number
  ultimatePa: number
}
type HoseSpec = Omit<WrittenOf<'hose'>['spec'], 'boreMm'> & { boreM: number }
type GaugeSpec = Omit<WrittenOf<'gauge'>['spec'], 'resolutionMicron'> & { resolutionPa: number }
export type Equipment =
  | (Omit<WrittenOf<'pump'>, 'spec'> & { spec: PumpSpec })
  | (Omit<WrittenOf<'hose'>, 'spec'> & { spec: HoseSpec })
  | (Omit<WrittenOf<'gauge'>, 'spec'> & { spec: GaugeSpec })
  | WrittenOf<'scale'>
  | WrittenOf<'container'>

/** A thing as it was written down, turned into what the core works in. */
export function equipmentRead(item: EquipmentWritten): Equipment {
  if (item.kind === 'pump') {
    const { speedCfm, ultimateMicron, ...spec } = item.spec
    return {
      ...item,
      spec: { ...spec, speedM3S: speedCfm * CUBIC_METRES_S_PER_CFM, ultimatePa: ultimateMicron * PA_PER_MICRON },
    }
  }
  if (item.kind === 'hose') {
    const { boreMm, ...spec } = item.spec
    return { ...item, spec: { ...spec, boreM: boreMm * METRES_PER_MM } }
  }
  if (item.kind === 'gauge') {
    const { resolutionMicron, ...spec } = item.spec
    return { ...item, spec: { ...spec, resolutionPa: resolutionMicron * PA_PER_MICRON } }
  }
  return item
}

/** And back, as it is written down. */
export function equipmentWritten(item: Equipment): EquipmentWritten {
  if (item.kind === 'pump') {
    const { speedM3S, ultimatePa, ...spec } = item.spec
    const [speedCfm, ultimateMicron] = [speedM3S / CUBIC_METRES_S_PER_CFM, ultimatePa / PA_PER_MICRON].map(asWritten)
    return { ...item, spec: { ...spec, speedCfm: speedCfm as number, ultimateMicron: ultimateMicron as number } }
  }
  if (item.kind === 'hose') {
    const { boreM, ...spec } = item.spec
    return { ...item, spec: { ...spec, boreMm: asWritten(boreM / METRES_PER_MM) } }
  }
  if (item.kind === 'gauge') {
    const { resolutionPa, ...spec } = item.spec
    return { ...item, spec: { ...spec, resolutionMicron: asWritten(resolutionPa / PA_PER_MICRON) } }
  }
  return item
}
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
  'blank-off': z.strictObject({ readings: z.array(PressureReading).min(3, W.threeReadingsAtLeast).max(400) }),
  'hose-hold': z.strictObject({
    readings: z.array(PressureReading).min(4, W.fourReadingsAtLeast).max(400),
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
