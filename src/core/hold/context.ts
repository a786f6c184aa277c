import { currentHold, type JobState } from '../procedure/state'
import { hoseKindOf } from '../rig/compose'
import { OUTGASSING } from '../rig/network'
import type { HoseBackground } from './hose-background'
import type { HoldContext } from './judge'

/** The judge's context for a job: the isolated volume is the car and the hoses that stay on it. */
export function holdContext(state: JobState, plannedMinutes: number): HoldContext {
  const { rig, place, label, volumeL } = state.opened
  const hoseL = (Math.PI / 4) * (rig.boreMm / 1000) ** 2 * rig.lengthM * 1000 * rig.hoses
  return {
    volumeL: volumeL + hoseL,
    instrument: rig.gauge,
    ambientC: place.ambientC,
    barometerPa: place.barometerPa,
    refrigerant: label.refrigerant,
    plannedS: plannedMinutes * 60,
    hoses: hosesOf(state),
  }
}

/** The hoses between port and shut valve, by their kind (assumed from their bore); half of what a hose gives goes to the car's end. */
function hosesOf(state: JobState): HoseBackground {
  const { rig } = state.opened
  const [first, steady] = OUTGASSING[hoseKindOf(rig)]
  const metres = (rig.lengthM * rig.hoses) / 2
  const pulled = state.pulls[0]
  const isolated = currentHold(state)
  const vacuumBeforeS = pulled && isolated ? (Date.parse(isolated.isolatedAt) - Date.parse(pulled.startedAt)) / 1000 : 0
  return { atHourPaM3S: first * metres, steadyPaM3S: steady * metres, vacuumBeforeS }
}

/** Samples the judge takes at most; more readings are averaged into these. */
export const JUDGED_SAMPLES = 600
