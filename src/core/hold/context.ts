import type { JobState } from '../procedure/state'
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
  }
}

/** Samples the judge takes at most; more readings are averaged into these. */
export const JUDGED_SAMPLES = 600
