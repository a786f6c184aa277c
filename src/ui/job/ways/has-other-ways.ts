import type { JobState } from '@/core/job/state'

/** Whether a job can leave its straight path where it stands. */
export const hasOtherWays = (state: JobState): boolean => state.signed === undefined && state.closed === undefined
