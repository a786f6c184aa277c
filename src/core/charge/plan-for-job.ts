import { withinTablesC } from '../fluids/refrigerant'
import type { PayloadOf } from '../job/events'
import { chargedG, type JobState, wayOf } from '../job/state'
import { WAY_WORDS, type Way } from '../job/ways'
import { type ChargeHose, chargeHoseWritten } from '../job/written'
import { type ChargePlan, type ChargePlanInput, type Container, planCharge } from './plan'

/** Purge of one opening or change, g (assumed; small purge losses are commonly exempt). */
export const PURGE_G = 3
/** A charging hose, where the rig does not name the one it has (assumed). */
const CHARGING_HOSE = { boreM: 0.0048, lengthM: 1.5 }

/** What a person decides about a charge besides its containers. */
export type ChargeChoices = {
  /** g; the middle of the label's line unless somebody has a reason */
  targetG: number
  reason?: string | undefined
  way: Way
  hose: ChargeHose
  purgeEachG: number
  purgeOnChange: boolean
  line: 'rig-stays' | 'single-hose'
}

/** Middle of the label's line, g, less what came with oil out of a can. */
export const labelTargetG = ({ opened: { label }, fix }: JobState): number =>
  (label.lowG + label.highG) / 2 - (fix?.oilCanG ?? 0)

/** How far from its target a charge may end, g: the label's tolerance, or half its range where that is wider. */
export const toleranceG = ({ opened: { label } }: JobState): number =>
  Math.max(label.toleranceG, (label.highG - label.lowG) / 2)

/**
 * What a charge is like before anybody chooses: as planned before, else vapour by the low side, the hose drawn down,
 * purged at every change.
 */
export function usualChoices(state: JobState): ChargeChoices {
  const { plan, opened } = state
  const own = opened.rig.pumpHose ?? CHARGING_HOSE
  return {
    targetG: plan?.targetG ?? labelTargetG(state),
    way: wayOf(state),
    hose: plan?.hose ?? { boreM: own.boreM, lengthM: own.lengthM, drawnDown: true },
    purgeEachG: plan?.purgeEachG ?? PURGE_G,
    purgeOnChange: plan?.purgeOnChange ?? true,
    line: plan?.line ?? 'rig-stays',
    ...(plan?.reason !== undefined && { reason: plan.reason }),
  }
}

/**
 * What a job asks of the plan: what is still wanted, from these containers.
 * What stays in the hose and the first purge count once, however many containers were on before.
 */
export function chargeInputOf(
  state: JobState,
  containers: readonly Container[],
  choices: ChargeChoices = usualChoices(state),
): ChargePlanInput {
  const { label, place, rig } = state.opened
  const wantedG = Math.max(0, choices.targetG - closedG(state))
  const begun = state.containers.some((c) => c.endGrossG !== undefined)
  const withOilG = state.fix?.oilCanG ?? 0
  return {
    refrigerant: label.refrigerant,
    target:
      choices.targetG === labelTargetG(state) && !begun
        ? { lowG: label.lowG - withOilG, highG: label.highG - withOilG }
        : { lowG: wantedG, highG: wantedG },
    toleranceG: toleranceG(state),
    ambientC: withinTablesC(place.ambientC),
    scaleStepG: rig.scaleStepG,
    hose: { ...choices.hose, phase: WAY_WORDS[choices.way].phase, drawnDown: choices.hose.drawnDown || begun },
    purgeEachG: choices.purgeEachG,
    purgeOnChange: choices.purgeOnChange,
    // on a fourth port its hose was evacuated along: there is nothing to purge
    purgeFirst: begun ? choices.purgeOnChange : !rig.fourPort,
    containers,
  }
}

/** What the containers that were closed have put into the car, g. */
const closedG = (state: JobState): number =>
  chargedG({ ...state, containers: state.containers.filter((c) => c.endGrossG !== undefined) })

/** The plan as it goes into the job's log, with the containers it needs. */
export function chargePlanned(
  state: JobState,
  containers: readonly Container[],
  choices: ChargeChoices = usualChoices(state),
): PayloadOf<'charge-planned'> {
  const plan = planCharge(chargeInputOf(state, containers, choices))
  const before = closedG(state)
  const needed = new Set(plan.steps.map((s) => s.id))
  return {
    targetG: choices.targetG,
    purgeEachG: choices.purgeEachG,
    containers: containers.filter((c) => needed.has(c.id)).map(asPlanned),
    stops: plan.steps.map(({ id, stopGrossG, takenG, purgeG }) => ({ id, stopGrossG, takenG, purgeG })),
    bandG: [before + plan.bandG[0], before + plan.bandG[1]],
    way: choices.way,
    hose: chargeHoseWritten(choices.hose),
    purgeOnChange: choices.purgeOnChange,
    line: choices.line,
    ...(choices.reason !== undefined && { reason: choices.reason }),
  }
}

function asPlanned({ id, kind, grossG, netG, tareG, refrigerant, stockId }: Container) {
  return {
    id,
    kind,
    grossG,
    ...(netG !== undefined && { netG }),
    ...(tareG !== undefined && { tareG }),
    ...(refrigerant !== undefined && { refrigerant }),
    ...(stockId !== undefined && { stockId }),
  }
}

/**
 * The planned stops as they are now: what the containers before really gave, and what this one weighed when it went on,
 * move them.
 * @returns one for every container that is on or still to come, in their order; stops in g gross
 */
export function stopsNow(state: JobState): ChargePlan['steps'] {
  const { plan } = state
  if (!plan) return []
  const open = state.containers.filter((c) => c.endGrossG === undefined)
  const coming = plan.containers.filter((c) => !state.containers.some((used) => used.id === c.id))
  const onScale = open.flatMap((c): Container[] => {
    const planned = plan.containers.find((p) => p.id === c.id)
    if (!planned) return []
    // a hose that hangs on the scale weighs with the empty container too; a full can of another weight has another can
    const shiftG = c.differs === 'hose-hung-on' ? c.startGrossG - planned.grossG : 0
    return [
      { ...planned, grossG: c.startGrossG, ...(planned.tareG !== undefined && { tareG: planned.tareG + shiftG }) },
    ]
  })
  return planCharge(chargeInputOf(state, [...onScale, ...coming])).steps
}

/** Where the container on the scale stops, or undefined when it was not planned. */
export const stopNow = (state: JobState, id: string | undefined) => stopsNow(state).find((s) => s.id === id)
