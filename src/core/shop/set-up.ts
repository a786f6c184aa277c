import * as z from 'zod'
import { text } from '../entry/text'
import { W } from '../language/shop/set-up'
import { stationPressurePa } from '../units/barometer'
import { PA_PER_INHG, STANDARD_ATMOSPHERE_PA } from '../units/constants'
import { Units } from '../units/shown'
import { NewAccount } from './people'

/*
 * A shop as it is set up: who, where, and what hangs on the cart. What a person does not know is assumed and said to
 * be; the rig room takes the real figures later.
 */

/** Kinds of things on a cart with their typical figures (assumed); the last of each is for whoever does not know. */
export const CART_KINDS = {
  gauge: {
    needle: {
      words: W.needleOnTheManifold,
      figure: W.readsToHalfAnInch,
      kind: 'needle',
      stepMicron: 12_700,
      at: 'far',
    },
    far: {
      words: W.electronicFarFromThePump,
      figure: W.stepsOf1Micron,
      kind: 'electronic',
      stepMicron: 1,
      at: 'far',
    },
    pump: {
      words: W.electronicAtThePump,
      figure: W.stepsOf1MicronReads,
      kind: 'electronic',
      stepMicron: 1,
      at: 'pump',
    },
    unknown: { words: W.iDontKnow, figure: W.takenForANeedle, kind: 'needle', stepMicron: 12_700, at: 'far' },
  },
  hoses: {
    quarter: {
      words: W.n14InChargingHoses,
      figure: W.n48MmBore1,
      boreMm: 4.8,
      lengthM: 1.5,
      kind: 'rubber-old',
    },
    'quarter-new': {
      words: W.n14InNewBarrier,
      figure: W.n48MmBore15,
      boreMm: 4.8,
      lengthM: 1.5,
      kind: 'barrier-new',
    },
    'three-eighths': {
      words: W.n38InVacuumHoses,
      figure: W.n95MmBore1,
      boreMm: 9.5,
      lengthM: 1.2,
      kind: 'barrier-new',
    },
    unknown: {
      words: W.iDontKnow,
      figure: W.takenFor14In,
      boreMm: 4.8,
      lengthM: 1.5,
      kind: 'rubber-old',
    },
  },
  cores: {
    in: { words: W.valveCoresStayIn, figure: W.theNarrowestPlaceOfThe, cores: 'in' },
    out: { words: W.coreTools, figure: W.theCoresComeOutFor, cores: 'out' },
    unknown: { words: W.iDontKnow, figure: W.theCoresAreTakenTo, cores: 'in' },
  },
  ports: {
    both: { words: W.aCouplerOnEachPort, figure: W.turnedOpenByHand, sides: 2 },
    auto: { words: W.onEachOpeningByThemselves, figure: W.valvesShutBeforeTheyGo, sides: 2 },
    low: { words: W.onTheLowPortOnly, figure: W.theHighSideStaysUnread, sides: 1 },
    unknown: { words: W.iDontKnow, figure: W.takenForOneOnEach, sides: 2 },
  },
  pump: {
    small: {
      words: W.smallOneStage,
      figure: W.n15CfmPlate40,
      speedCfm: 1.5,
      stages: 1,
      ultimateMicron: 40,
    },
    middle: {
      words: W.middleTwoStages,
      figure: W.n4CfmPlate25Micron,
      speedCfm: 4,
      stages: 2,
      ultimateMicron: 25,
    },
    large: { words: W.largeTwoStages, figure: W.n8CfmPlate20Micron, speedCfm: 8, stages: 2, ultimateMicron: 20 },
    unknown: {
      words: W.iDontKnow,
      figure: W.takenFor15Cfm,
      speedCfm: 1.5,
      stages: 1,
      ultimateMicron: 40,
    },
  },
  scale: {
    one: { words: W.stepsOf1G, figure: W.kitchenScaleOrACharging, stepG: 1 },
    five: { words: W.stepsOf5G, figure: '', stepG: 5 },
    ten: { words: W.stepsOf10G, figure: W.parcelScale, stepG: 10 },
    unknown: { words: W.iDontKnow, figure: W.takenForStepsOf10, stepG: 10 },
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
  name: text(80, 1, W.aNamePeopleHereUse),
  air: Air,
  ambientC: z.number().min(-40).max(60),
  timeZone: text(60).refine(isTimeZone, { error: W.noTimeZoneThisMachine }),
  /** what people here think in, until they choose themselves */
  units: Units.prefault({}),
  lead: NewAccount.omit({ role: true }),
  cart: z
    .strictObject({
      name: text(60).default(W.cart1),
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
  const usual = W.mbarInhgAreUsualAt(
    (standardPa / 100).toFixed(0),
    (standardPa / PA_PER_INHG).toFixed(1),
    Math.round(air.altitudeM),
  )
  return seaLevel ? W.isThisTheSeaLevel(usual) : W.isOneOfTheTwo(usual)
}

/**
 * The cart's things as the shelf takes them, and how they hang together. @param day - ISO 8601; hoses are taken as of
 * then
 */
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
        name: W.pump,
        spec: { speedCfm: pump.speedCfm, stages: pump.stages, ultimateMicron: pump.ultimateMicron },
      },
      { kind: 'hose', name: W.lowHose, spec: hoseSpec },
      { kind: 'hose', name: W.highHose, spec: hoseSpec },
      { kind: 'hose', name: W.centreHose, spec: hoseSpec },
      {
        kind: 'gauge',
        name: W.gauge,
        spec: { gaugeKind: gauge.kind, resolutionMicron: gauge.stepMicron, calibratedOn: day },
      },
      { kind: 'scale', name: W.scale, spec: { stepG, calibratedOn: day } },
    ],
    rig: {
      name: cart.name,
      pump: W.pump,
      lowHose: W.lowHose,
      highHose: CART_KINDS.ports[cart.ports].sides === 1 ? null : W.highHose,
      pumpHose: W.centreHose,
      gauge: W.gauge,
      gaugeAt: gauge.at,
      scale: W.scale,
      cores,
      ...(cart.ports === 'auto' && { couplers: 'auto' as const }),
    },
  } as const
}
