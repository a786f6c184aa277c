import type { PayloadOf } from '../procedure/events'
import type { JobState } from '../procedure/state'
import { type ChargePlanInput, type Container, planCharge } from './plan'

/** Purge of one opening or change, g (assumed; small purge losses are commonly exempt). */
export const PURGE_G = 3
/** The charging hose, drawn down at the end; vapour (assumed until the rig names its own). */
const CHARGING_HOSE = { boreMm: 4.8, lengthM: 1.5, phase: 'vapour' as const, drawnDown: true }

/** What a job and the containers at hand ask of the plan; a range on the label is the maker's tolerance where it is wider. */
export function chargeInputOf({ opened: { label, place, rig } }: JobState, containers: readonly Container[]): ChargePlanInput {
  return {
    refrigerant: label.refrigerant,
    target: { lowG: label.lowG, highG: label.highG },
    toleranceG: Math.max(label.toleranceG, (label.highG - label.lowG) / 2),
    ambientC: place.ambientC,
    scaleStepG: rig.scaleStepG,
    hose: CHARGING_HOSE,
    purgeEachG: PURGE_G,
    containers,
  }
}

/** The plan as it goes into the job's log, with the containers it needs. */
export function chargePlanned(state: JobState, containers: readonly Container[]): PayloadOf<'charge-planned'> {
  const plan = planCharge(chargeInputOf(state, containers))
  const needed = new Set(plan.steps.map((s) => s.id))
  const stops = plan.steps.map(({ id, stopGrossG, takenG, purgeG }) => ({ id, stopGrossG, takenG, purgeG }))
  const own = ({ id, kind, grossG, netG, tareG, stockId }: Container) => ({
    id,
    kind,
    grossG,
    ...(netG !== undefined && { netG }),
    ...(tareG !== undefined && { tareG }),
    ...(stockId !== undefined && { stockId }),
  })
  return { targetG: plan.targetG, purgeEachG: PURGE_G, containers: containers.filter((c) => needed.has(c.id)).map(own), stops, bandG: plan.bandG }
}
