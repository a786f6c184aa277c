import { labelTargetG, toleranceG } from '../charge/plan-for-job'
import { cansGive, countAgainst } from '../charge/unweighed'
import { withinTablesC } from '../fluids/refrigerant'
import type { EventDraft, PayloadOf } from '../job/events'
import { carIsOpen, type PartSet, type RigState } from '../job/parts'
import { isWithoutManifold } from '../job/sides'
import { chargedG, type JobState, liquidStandsUntilMs, openContainer } from '../job/state'
import type { Step } from '../job/steps'
import { LIQUID_STANDS_MIN } from '../job/ways'
import { W } from '../language/call/cautions'
import { readRest } from '../prove/rest-pressure'

/** What a step about to be recorded would cost, said before it does. */
export type Caution = { code: string; sentence: string; remedy: string }

/**
 * Cautions an event raises on a state, before it is recorded; empty when nothing is amiss.
 * Nothing is forbidden: whoever knows better goes on, and the record says so.
 */
export function cautionsBefore(
  state: JobState,
  event: Pick<EventDraft, 'kind' | 'payload'> & { happenedAt?: string },
): Caution[] {
  if (event.kind === 'part-set') return turning(state, event.payload as PartSet, event.happenedAt)
  if (event.kind === 'nitrogen-swept') return [NITROGEN]
  if (event.kind === 'nitrogen-in') return [{ ...NITROGEN, code: 'nitrogen-test' }]
  if (event.kind === 'leak-found') return state.search?.nitrogen ? [NITROGEN_INSIDE] : []
  if (event.kind === 'pump-oil') return (event.payload as PayloadOf<'pump-oil'>).stage === 'begun' ? oilOut(state) : []
  if (event.kind === 'container-warmed')
    return (event.payload as PayloadOf<'container-warmed'>).celsius > WARMEST_C ? [TOO_WARM] : []
  if (event.kind === 'cans-planned') return counting(state, event.payload as PayloadOf<'cans-planned'>)
  if (event.kind === 'fix-logged') return coreSizes(event.payload as PayloadOf<'fix-logged'>)
  if (event.kind === 'turned-back') return turningBack(state, (event.payload as PayloadOf<'turned-back'>).to)
  if (event.kind === 'step-finished') return finishing(state, (event.payload as PayloadOf<'step-finished'>).step)
  return []
}

/** Oil is drained with the car open to the pump, or while it runs. */
function oilOut({ rig }: JobState): Caution[] {
  return carIsOpen(rig) || rig.pump === 'on' ? [OIL_WITHOUT_VALVE] : []
}

/** Oil below this is thick: its pump draws badly and runs hot until it has warmed, Celsius and s (assumed). */
const COLD_C = 10
const WARMS_S = 60

/** A valve that opens onto a pump which has only just been started in the cold. */
function pumpIsCold({ opened, rig, turnedAt }: JobState, at: string | undefined): boolean {
  if (opened.place.ambientC >= COLD_C || rig.pump !== 'on' || !turnedAt.pump || at === undefined) return false
  return Date.parse(at) - Date.parse(turnedAt.pump) < 1000 * WARMS_S
}

/** Opening or pulling on a car that holds a charge. */
function turningBack(state: JobState, to: PayloadOf<'turned-back'>['to']): Caution[] {
  return to !== 'zero' && to !== 'charge' && chargedG(state) > 0 ? [CHARGE_INSIDE] : []
}

/** A core was put in of a size no port of this car takes, or more of one than there are such ports. */
function coreSizes({ renewed, ports }: PayloadOf<'fix-logged'>): Caution[] {
  if (!ports) return []
  const wrong = (['small', 'large'] as const).some((size) => {
    const put = renewed.find((r) => r.what === `core-${size}`)?.count ?? 0
    return put > [ports.low, ports.high].filter((port) => port === size).length
  })
  return wrong ? [CORE_SIZE] : []
}

/** Whole cans that are too much for certain. */
function counting(state: JobState, { count, netG }: PayloadOf<'cans-planned'>): Caution[] {
  const { label, place } = state.opened
  const gives = cansGive(count, netG, label.refrigerant, withinTablesC(place.ambientC))
  return countAgainst(gives, labelTargetG(state), toleranceG(state)) === 'over' ? [CANS_OVER] : []
}

/** What a step that is called finished leaves undone. */
function finishing(state: JobState, step: Step): Caution[] {
  if (step !== state.step) return []
  const undone = UNDONE[step]
  const found = [...(undone?.is(state) ? [undone.caution] : []), ...(state.search?.nitrogen ? [NITROGEN_INSIDE] : [])]
  return step === 'isolate' && state.rig['centre-hose'] === 'pump' ? [...found, HOSE_ON_STOPPED_PUMP] : found
}

/**
 * Steps that can be passed without doing them, and what that costs: whoever passes one leaves its name in the record.
 */
const UNDONE: Partial<Record<Step, { is: (state: JobState) => boolean; caution: Caution }>> = {
  zero: {
    is: (state) => state.zero === undefined && state.recoveredG === undefined,
    caution: {
      code: 'zero-passed',
      sentence: W.nobodyHasReadBothGauges,
      remedy: W.readBothGaugesAtRest,
    },
  },
  pull: {
    is: (state) => state.pulls.length === 0,
    caution: {
      code: 'pull-passed',
      sentence: W.thePumpNeverPulledOn,
      remedy: W.pumpOnThenOpenThe,
    },
  },
  isolate: {
    is: (state) => state.holds.length === 0,
    caution: {
      code: 'isolate-passed',
      sentence: W.nobodyHasShutThisCar,
      remedy: W.shutBothManifoldValvesBefore,
    },
  },
  charge: {
    is: (state) => state.containers.every((c) => c.endGrossG === undefined) && !state.counted?.emptied.length,
    caution: {
      code: 'charge-passed',
      sentence: W.nothingWasWeighedIntoThis,
      remedy: W.planTheChargeAndWeigh,
    },
  },
  prove: {
    is: (state) => state.proofs.length === 0,
    caution: {
      code: 'proof-passed',
      sentence: W.nobodyHasReadBothSides,
      remedy: W.readThemAfterFiveMinutes,
    },
  },
}

/** A container must not be warmer than this, Celsius (practice). */
export const WARMEST_C = 50

/** An inverted container whose liquid can reach the low side. */
const liquidCanRun = (rig: RigState): boolean =>
  rig['centre-hose'] === 'container' && rig['container-valve'] === 'open' && rig['valve-low'] === 'open'

/** Liquid was let in, the engine has not run since, and it has not stood its minutes. */
function liquidStands(state: JobState, at: string | undefined): boolean {
  const until = liquidStandsUntilMs(state)
  return until !== null && (at === undefined || Date.parse(at) < until)
}

const CANS_OVER: Caution = {
  code: 'cans-over',
  sentence: W.soManyWholeCansAre,
  remedy: W.oneCanLessAndThe,
}
const OIL_WITHOUT_VALVE: Caution = {
  code: 'oil-without-valve',
  sentence: W.theCarIsStillOpen,
  remedy: W.shutTheValvesThenStop,
}
const PUMP_WITHOUT_OIL: Caution = {
  code: 'pump-without-oil',
  sentence: W.nobodyHasSaidThatFresh,
  remedy: W.fillItToTheMiddle,
}
const PUMP_COLD: Caution = {
  code: 'pump-cold',
  sentence: W.thePumpWasStartedCold,
  remedy: W.letItRunAMinute,
}
const CORE_SIZE: Caution = {
  code: 'core-size',
  sentence: W.aCoreWasPutIn,
  remedy: W.holdTheNewCoreBeside,
}
const CHARGE_INSIDE: Caution = {
  code: 'charge-inside',
  sentence: W.thereIsAChargeIn,
  remedy: W.goBackToTheGauges,
}
const TOO_WARM: Caution = {
  code: 'warmed-over-50',
  sentence: W.over50C122F,
  remedy: W.warmWaterOfTheHands,
}
const INVERTED_RUNNING: Caution = {
  code: 'inverted-running-low',
  sentence: W.theContainerIsInvertedAnd,
  remedy: W.shutTheLowValveStand,
}
const AGAINST_LIQUID: Caution = {
  code: 'start-against-liquid',
  sentence: W.liquidWentIntoThisSystem,
  remedy: W.letItStandMinutesWith(LIQUID_STANDS_MIN),
}
const NITROGEN: Caution = {
  code: 'nitrogen-sweep',
  sentence: W.dryNitrogenOnlyThroughA,
  remedy: W.ventilateLetItOutTo,
}
const NITROGEN_INSIDE: Caution = {
  code: 'nitrogen-inside',
  sentence: W.nitrogenStillStandsInThis,
  remedy: W.letItOutToThe,
}
const HOSE_ON_STOPPED_PUMP: Caution = {
  code: 'hose-on-stopped-pump',
  sentence: W.theHoseIsStillOn,
  remedy: W.takeTheHoseOffThe,
}

function turning(state: JobState, { part, state: to }: PartSet, at: string | undefined): Caution[] {
  const next = { ...state.rig, [part]: to } as RigState
  const found: (Caution | false)[] = [
    part === 'pump' && to === 'on' && underPressure(state),
    part === 'pump' && to === 'on' && state.search?.nitrogen !== undefined && NITROGEN_INSIDE,
    part === 'pump' && to === 'on' && state.oilOut === true && PUMP_WITHOUT_OIL,
    (part === 'valve-low' || part === 'valve-high') && to === 'open' && pumpIsCold(state, at) && PUMP_COLD,
    part === 'pump' && to === 'on' && state.rig['exhaust-cap'] === 'on' && EXHAUST_CAP,
    part === 'pump' && to === 'off' && carIsOpen(state.rig) && PUMP_BEFORE_VALVES,
    next.engine === 'on' &&
      next['valve-high'] === 'open' &&
      (part === 'engine' || part === 'valve-high') &&
      HIGH_SIDE_OPEN,
    (part === 'coupler-low' || part === 'coupler-high') && to === 'open' && state.rig[part] === 'off' && COUPLER_SENSE,
    (part === 'coupler-low' || part === 'coupler-high') &&
      to === 'on' &&
      valvesOpenWhileCoupling(state.rig) &&
      VALVES_OPEN,
    part === 'coupler-high' && to === 'off' && state.rig.engine === 'on' && HIGH_OFF_RUNNING,
    part === 'valve-high' && to === 'open' && state.step === 'charge' && next.engine === 'off' && HIGH_SIDE_CHARGE,
    next['container-pose'] === 'inverted' && next.engine === 'on' && liquidCanRun(next) && INVERTED_RUNNING,
    part === 'engine' && to === 'on' && liquidStands(state, at) && AGAINST_LIQUID,
    part === 'container-valve' && to === 'open' && lineHoldsAir(state) && LINE_NOT_PURGED,
    part === 'container-valve' && to === 'open' && gaugeIsOn(state) && GAUGE_UNDER_PRESSURE,
    part === 'engine' && to === 'on' && nothingInside(state) && ENGINE_IN_VACUUM,
    part === 'centre-hose' && to === 'off' && carIsOpen(state.rig) && HOSE_OFF_OPEN,
    (part === 'coupler-low' || part === 'coupler-high') &&
      to === 'off' &&
      state.rig[part] === 'open' &&
      turnedByHand(state) &&
      COUPLER_OFF_OPEN,
  ]
  return found.filter((c): c is Caution => c !== false)
}

/** Before the charge, and in it until a container stood on the scale. */
const nothingInside = (state: JobState): boolean =>
  state.step === 'charge'
    ? state.containers.length === 0 && state.counted === undefined
    : state.step !== 'prove' && state.step !== 'leave'

/** Couplers that open by themselves close by themselves; a tool on a port has its own valve. */
const turnedByHand = ({ opened: { rig } }: JobState): boolean => rig.couplers !== 'auto' && !isWithoutManifold(rig)

/** A container is on whose purge was planned and not made. */
const lineHoldsAir = (state: JobState): boolean => state.rig.line === 'air' && openContainer(state) !== undefined

/** An electronic vacuum gauge still reaches the line pressure is about to come into. */
const gaugeIsOn = ({ opened, rig }: JobState): boolean =>
  opened.rig.gauge === 'electronic' && rig['gauge-valve'] === 'open'

const valvesOpenWhileCoupling = (rig: RigState): boolean => rig['valve-low'] === 'open' || rig['valve-high'] === 'open'

function underPressure(state: JobState): Caution | false {
  const { zero, opened } = state
  const caution = {
    code: 'pump-under-pressure',
    sentence: W.thisSystemWasUnderPressure,
    remedy: W.recoverTheRefrigerantWithCertified,
  }
  if (!zero)
    return {
      ...caution,
      code: 'zero-not-read',
      sentence: W.nobodyHasReadBothGaugesAt,
    }
  const finding = readRest(
    zero.lowPaG,
    zero.highPaG,
    zero.errorPa,
    opened.label.refrigerant,
    opened.place.ambientC,
    opened.place.barometerPa,
  )
  return finding.kind === 'refrigerant' ? caution : false
}

const LINE_NOT_PURGED: Caution = {
  code: 'line-not-purged',
  sentence: W.theChargingLineStillHolds,
  remedy: W.aShortHissAtThe,
}
const GAUGE_UNDER_PRESSURE: Caution = {
  code: 'gauge-under-pressure',
  sentence: W.theVacuumGaugeIsStill,
  remedy: W.shutItsOwnValveOr,
}
const HOSE_OFF_OPEN: Caution = {
  code: 'hose-off-valve-open',
  sentence: W.aValveIsOpenWith,
  remedy: W.shutBothValvesFirst,
}
const COUPLER_OFF_OPEN: Caution = {
  code: 'coupler-off-open',
  sentence: W.theCouplerStillPressesThe,
  remedy: W.closeItFirstCounterClockwise,
}
const EXHAUST_CAP: Caution = {
  code: 'exhaust-cap-on',
  sentence: W.theExhaustCapIsOn,
  remedy: W.takeTheExhaustCapOff,
}
const PUMP_BEFORE_VALVES: Caution = {
  code: 'pump-off-before-valves',
  sentence: W.aManifoldValveIsOpen,
  remedy: W.shutBothManifoldValvesFirst,
}
const HIGH_SIDE_OPEN: Caution = {
  code: 'high-open-engine-on',
  sentence: W.highSideOpenWithThe,
  remedy: W.keepTheHighValveShut,
}
const COUPLER_SENSE: Caution = {
  code: 'coupler-sense',
  sentence: W.aCouplerTurnsTheOther,
  remedy: W.closedMeansCounterClockwisePush,
}
const VALVES_OPEN: Caution = {
  code: 'valves-open-at-coupling',
  sentence: W.aManifoldValveIsOpenWhile,
  remedy: W.closeBothManifoldValvesClockwise,
}
const HIGH_OFF_RUNNING: Caution = {
  code: 'high-off-running',
  sentence: W.theEngineRunsTheHigh,
  remedy: W.engineOffLetItRest,
}
const HIGH_SIDE_CHARGE: Caution = {
  code: 'high-open-charge',
  sentence: W.throughTheHighSideOnly,
  remedy: W.shutItAgainBeforeThe,
}
const ENGINE_IN_VACUUM: Caution = {
  code: 'engine-in-vacuum',
  sentence: W.theCompressorMustNotTurn,
  remedy: W.leaveTheEngineOffUntil,
}

/** A pump that runs on another car: one pump pulls on one car. */
export const pumpElsewhere = (car: string): Caution => ({
  code: 'pump-elsewhere',
  sentence: W.thisPumpRunsOnNow(car),
  remedy: W.isolateFirstOrTakeAnother(car),
})
