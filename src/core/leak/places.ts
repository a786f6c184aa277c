import type { LeakPlace } from '../job/leak'
import type { JobState } from '../job/state'
import { W } from '../language/leak/places'
import { evaporatorsOf } from '../rig/free-volume'

/** How well a hand gets at a place: in the open, behind something, or inside the car. */
export type Reach = 'open' | 'behind' | 'inside'
type Facts = {
  name: string
  /** share of leaks that sit there before anything is known of a car, in parts (assumed) */
  weight: number
  reach: Reach
}

/**
 * What is known of each place before anything is looked at; weights are assumed, then learned from what the shop
 * found.
 */
export const PLACES: Record<LeakPlace, Facts> = {
  'compressor-seal': { name: W.compressorShaftSeal, weight: 14, reach: 'behind' },
  'compressor-body': { name: W.compressorBody, weight: 4, reach: 'open' },
  'joint-discharge': { name: W.jointCompressorToHighHose, weight: 4, reach: 'open' },
  'hose-high': { name: W.highHose, weight: 6, reach: 'open' },
  'port-high': { name: W.highPortCoreAndCap, weight: 9, reach: 'open' },
  'joint-condenser-in': { name: W.jointIntoTheCondenser, weight: 4, reach: 'open' },
  condenser: { name: 'condenser', weight: 16, reach: 'behind' },
  'joint-condenser-out': { name: W.jointOutOfTheCondenser, weight: 3, reach: 'open' },
  switch: { name: W.pressureSwitch, weight: 3, reach: 'open' },
  drier: { name: 'drier', weight: 2, reach: 'open' },
  'joint-drier': { name: W.jointsOfTheDrier, weight: 3, reach: 'open' },
  'joint-device': { name: W.jointAtTheExpansionDevice, weight: 3, reach: 'behind' },
  device: { name: W.expansionDevice, weight: 1.5, reach: 'inside' },
  evaporator: { name: 'evaporator', weight: 7, reach: 'inside' },
  'joint-evaporator': { name: W.jointOutOfTheEvaporator, weight: 3, reach: 'behind' },
  'joint-rear': { name: W.jointsToTheRear, weight: 4, reach: 'behind' },
  'evaporator-rear': { name: W.rearEvaporator, weight: 6, reach: 'inside' },
  'port-low': { name: W.lowPortCoreAndCap, weight: 9, reach: 'open' },
  'hose-low': { name: W.lowHose, weight: 4, reach: 'open' },
  'joint-suction': { name: W.jointLowHoseToCompressor, weight: 4, reach: 'open' },
  rig: { name: W.ourOwnHosesAndFittings, weight: 5, reach: 'open' },
}

/** The two ports: their cores are sealed while a coupler is on. */
export const PORTS: readonly LeakPlace[] = ['port-low', 'port-high']
const REAR: readonly LeakPlace[] = ['joint-rear', 'evaporator-rear']

/** The places this car has. */
export function placesOf({ opened }: Pick<JobState, 'opened'>): LeakPlace[] {
  const all = Object.keys(PLACES) as LeakPlace[]
  return evaporatorsOf(opened.volumeL) === 2 ? all : all.filter((place) => !REAR.includes(place))
}
