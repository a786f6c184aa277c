import * as z from 'zod'
import { text } from '../entry/text'
import { stationPressurePa } from '../units/barometer'
import { PA_PER_INHG, STANDARD_ATMOSPHERE_PA } from '../units/constants'
import { Units } from '../units/shown'
import { NewAccount } from './people'

/*
 * A shop as it is set up: who, where, and what hangs on the cart. What a person does not know is assumed and said to be;
 * the rig room takes the real figures later.
 */

/** Kinds of things on a cart with their typical figures (assumed); the last of each is for whoever does not know. */
export const CART_KINDS = {
  gauge: {
    needle: {
      words: 'needle on the manifold',
      figure: 'reads to half an inch of mercury',
      kind: 'needle',
      stepMicron: 12_700,
      at: 'far',
    },
    far: {
      words: 'electronic, far from the pump',
      figure: 'steps of 1 micron',
      kind: 'electronic',
      stepMicron: 1,
      at: 'far',
    },
    pump: {
      words: 'electronic, at the pump',
      figure: 'steps of 1 micron; reads ahead of the car',
      kind: 'electronic',
      stepMicron: 1,
      at: 'pump',
    },
    unknown: { words: 'I don’t know', figure: 'taken for a needle', kind: 'needle', stepMicron: 12_700, at: 'far' },
  },
  hoses: {
    quarter: {
      words: '1/4 in charging hoses',
      figure: '4.8 mm bore, 1.5 m, old rubber',
      boreMm: 4.8,
      lengthM: 1.5,
      kind: 'rubber-old',
    },
    'quarter-new': {
      words: '1/4 in, new barrier hoses',
      figure: '4.8 mm bore, 1.5 m',
      boreMm: 4.8,
      lengthM: 1.5,
      kind: 'barrier-new',
    },
    'three-eighths': {
      words: '3/8 in vacuum hoses',
      figure: '9.5 mm bore, 1.2 m',
      boreMm: 9.5,
      lengthM: 1.2,
      kind: 'barrier-new',
    },
    unknown: {
      words: 'I don’t know',
      figure: 'taken for 1/4 in, old rubber',
      boreMm: 4.8,
      lengthM: 1.5,
      kind: 'rubber-old',
    },
  },
  cores: {
    in: { words: 'valve cores stay in', figure: 'the narrowest place of the line', cores: 'in' },
    out: { words: 'core tools', figure: 'the cores come out for the pull', cores: 'out' },
    unknown: { words: 'I don’t know', figure: 'the cores are taken to stay in', cores: 'in' },
  },
  ports: {
    both: { words: 'a coupler on each port', figure: 'turned open by hand', sides: 2 },
    auto: { words: 'on each, opening by themselves', figure: 'valves shut before they go on', sides: 2 },
    low: { words: 'on the low port only', figure: 'the high side stays unread', sides: 1 },
    unknown: { words: 'I don’t know', figure: 'taken for one on each port', sides: 2 },
  },
  pump: {
    small: {
      words: 'small, one stage',
      figure: '1.5 CFM, plate 40 micron',
      speedCfm: 1.5,
      stages: 1,
      ultimateMicron: 40,
    },
    middle: {
      words: 'middle, two stages',
      figure: '4 CFM, plate 25 micron',
      speedCfm: 4,
      stages: 2,
      ultimateMicron: 25,
    },
    large: { words: 'large, two stages', figure: '8 CFM, plate 20 micron', speedCfm: 8, stages: 2, ultimateMicron: 20 },
    unknown: {
      words: 'I don’t know',
      figure: 'taken for 1.5 CFM, one stage',
      speedCfm: 1.5,
      stages: 1,
      ultimateMicron: 40,
    },
  },
  scale: {
    one: { words: 'steps of 1 g', figure: 'kitchen scale, or a charging scale', stepG: 1 },
    five: { words: 'steps of 5 g', figure: '', stepG: 5 },
    ten: { words: 'steps of 10 g', figure: 'parcel scale', stepG: 10 },
    unknown: { words: 'I don’t know', figure: 'taken for steps of 10 g', stepG: 10 },
  },
} as const

export type CartPart = keyof typeof CART_KINDS
export const CART_PARTS = Object.keys(CART_KINDS) as CartPart[]
const kindOf = <P extends CartPart>(part: P) =>
  z.enum(Object.keys(CART_KINDS[part]) as [keyof (typeof CART_KINDS)[P] & string])

/** The air of a place, told in one of three ways that must not be taken for one another. */
export const Air = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('altitude'), altitudeM: z.number().min(-430).max(5500) }),
  /** as a barometer there reads now; beside the altitude, where it is known, it can be questioned */
  z.strictObject({
    by: z.literal('barometer'),
    barometerPa: z.number().min(40_000).max(110_000),
    altitudeM: z.number().min(-430).max(5500).nullable().default(null),
  }),
  /** what a forecast says: brought down to the sea, so the altitude belongs to it */
  z.strictObject({
    by: z.literal('sea-level'),
    seaLevelPa: z.number().min(85_000).max(110_000),
    altitudeM: z.number().min(-430).max(5500),
  }),
])
export type Air = z.infer<typeof Air>

/** A shop as its set-up page, or a file, says it; SI but for what plates say. */
export const ShopSetUp = z.strictObject({
  name: text(80, 1, 'a name people here use'),
  air: Air,
  ambientC: z.number().min(-40).max(60),
  timeZone: text(60).refine(isTimeZone, { error: 'no time zone this machine knows, such as Europe/Berlin' }),
  /** what people here think in, until they choose themselves */
  units: Units.prefault({}),
  lead: NewAccount.omit({ role: true }),
  cart: z
    .strictObject({
      name: text(60).default('Cart 1'),
      gauge: kindOf('gauge').default('unknown'),
      hoses: kindOf('hoses').default('unknown'),
      cores: kindOf('cores').default('unknown'),
      ports: kindOf('ports').default('unknown'),
      pump: kindOf('pump').default('unknown'),
      scale: kindOf('scale').default('unknown'),
    })
    .prefault({}),
})
export type ShopSetUp = z.infer<typeof ShopSetUp>

function isTimeZone(name: string): boolean {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: name }) !== undefined
  } catch {
    return false
  }
}

/**
 * Pressure of the air at the place, Pa absolute, and its altitude where it is known.
 * @see model.md section 1
 */
export function airOf(air: Air): { barometerPa: number; altitudeM: number | null } {
  switch (air.by) {
    case 'altitude':
      return { barometerPa: stationPressurePa(air.altitudeM), altitudeM: air.altitudeM }
    case 'barometer':
      return { barometerPa: air.barometerPa, altitudeM: air.altitudeM }
    case 'sea-level':
      return {
        barometerPa: (air.seaLevelPa * stationPressurePa(air.altitudeM)) / STANDARD_ATMOSPHERE_PA,
        altitudeM: air.altitudeM,
      }
    default: {
      const unknown: never = air
      return unknown
    }
  }
}

/** Weather moves a barometer no farther from the standard air of its altitude, as a share (model.md section 1). */
const WEATHER_SHARE = 0.05

/** What is asked about a barometer that does not belong to its altitude; undefined where it does, or nobody knows. */
export function airQuestion(air: Air): string | undefined {
  if (air.by !== 'barometer' || air.altitudeM === null) return undefined
  const standardPa = stationPressurePa(air.altitudeM)
  if (Math.abs(air.barometerPa / standardPa - 1) <= WEATHER_SHARE) return undefined
  const seaLevel = Math.abs(air.barometerPa / STANDARD_ATMOSPHERE_PA - 1) <= WEATHER_SHARE
  const usual =
    `${(standardPa / 100).toFixed(0)} mbar (${(standardPa / PA_PER_INHG).toFixed(1)} inHg) are usual at ` +
    `${Math.round(air.altitudeM)} m`
  return seaLevel ? `${usual}: is this the sea-level pressure of a forecast?` : `${usual}: is one of the two wrong?`
}

/** The cart's things as the shelf takes them, and how they hang together. @param day - ISO 8601; hoses are taken as of then */
export function cartOf({ cart }: ShopSetUp, day: string) {
  const gauge = CART_KINDS.gauge[cart.gauge]
  const hose = CART_KINDS.hoses[cart.hoses]
  const pump = CART_KINDS.pump[cart.pump]
  const { stepG } = CART_KINDS.scale[cart.scale]
  const { cores } = CART_KINDS.cores[cart.cores]
  const hoseSpec = {
    boreMm: hose.boreMm,
    lengthM: hose.lengthM,
    hoseKind: hose.kind,
    boughtOn: day,
    sealsRenewedOn: day,
  }
  return {
    equipment: [
      {
        kind: 'pump',
        name: 'Pump',
        spec: { speedCfm: pump.speedCfm, stages: pump.stages, ultimateMicron: pump.ultimateMicron },
      },
      { kind: 'hose', name: 'Low hose', spec: hoseSpec },
      { kind: 'hose', name: 'High hose', spec: hoseSpec },
      { kind: 'hose', name: 'Centre hose', spec: hoseSpec },
      {
        kind: 'gauge',
        name: 'Gauge',
        spec: { gaugeKind: gauge.kind, resolutionMicron: gauge.stepMicron, calibratedOn: day },
      },
      { kind: 'scale', name: 'Scale', spec: { stepG, calibratedOn: day } },
    ],
    rig: {
      name: cart.name,
      pump: 'Pump',
      lowHose: 'Low hose',
      highHose: CART_KINDS.ports[cart.ports].sides === 1 ? null : 'High hose',
      pumpHose: 'Centre hose',
      gauge: 'Gauge',
      gaugeAt: gauge.at,
      scale: 'Scale',
      cores,
      ...(cart.ports === 'auto' && { couplers: 'auto' as const }),
    },
  } as const
}
