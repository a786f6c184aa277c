import type { BenchTruth } from '@/core/bench/truth'
import type { JobOpened, RigWritten } from '@/core/job/events'

/** Water by the story of the job, g liquid and bound: middles of the ranges of model.md section 8 (assumed). */
const WATER_G: Record<JobOpened['story']['opened'], number> = {
  nothing: 0.02,
  'cap-or-core': 0.06,
  component: 0.3,
  overnight: 1.2,
  days: 4,
}

/** What of a simulated car is its rig's. */
export const rigTruth = (rig: RigWritten): Pick<BenchTruth, 'line' | 'rig' | 'pumpCfm' | 'ultimateMicron'> => ({
  line: { boreMm: rig.boreMm, lengthM: rig.lengthM, hoses: rig.hoses },
  rig,
  pumpCfm: rig.pumpCfm,
  ultimateMicron: rig.ultimateMicron,
})

/** What is hidden in a simulated car: from its story, no leak until somebody sets one. */
export function truthOf(opened: JobOpened, jobId: string): BenchTruth {
  const { rig, place, story } = opened
  return {
    volumeL: opened.volumeL,
    ...rigTruth(rig),
    leakPaM3S: 0,
    waterG: WATER_G[story.opened],
    boundG: story.drierReplaced || story.opened === 'nothing' ? 0 : 0.4,
    fullG: (opened.label.lowG + opened.label.highG) / 2,
    ambientC: place.ambientC,
    barometerPa: place.barometerPa,
    refrigerant: opened.label.refrigerant,
    seed: Number.parseInt(jobId.slice(0, 8), 16),
  }
}
