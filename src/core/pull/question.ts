import type { JobState } from '../job/state'
import { evaporatorsOf } from '../rig/free-volume'
import type { PullQuestion } from './planner'

/** The planner's question for a job: its rig, its story, its place. */
export function pullQuestion(state: JobState, draws: number): PullQuestion {
  const { opened } = state
  return {
    car: { volumeL: opened.volumeL, evaporators: evaporatorsOf(opened.volumeL) },
    rig: opened.rig,
    story: opened.story,
    ambientC: opened.place.ambientC,
    barometerPa: opened.place.barometerPa,
    targetPa: opened.procedure.targetPa,
    draws,
    seed: 1,
    horizonS: opened.procedure.pullMinutes * 60 * 1.5,
  }
}
