import { type JobState, wayOf } from '../job/state'
import { WAY_WORDS } from '../job/ways'

/** Grams with thousands marked. */
export const grams = (value: number): string => Math.round(value).toLocaleString('en')

/** From this much on it is worth opening again, g (assumed: what a scale step and the hose blur). */
export const MORE_FROM_G = 4

/** The name of the valve the charge goes through, as the hands know it. */
export const valveName = (state: JobState): string => (WAY_WORDS[wayOf(state)].valve === 'valve-high' ? 'high' : 'low')
