import type { JobOpened } from '@/core/job/events'

/** The car and its story a rig is looked at with. */
export type TrialCar = { evaporators: 1 | 2; opened: JobOpened['story']['opened']; targetMicron: number }
