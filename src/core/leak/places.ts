import type { LeakPlace } from '../job/leak'
import type { JobState } from '../job/state'
import { evaporatorsOf } from '../rig/free-volume'

/** How well a hand gets at a place: in the open, behind something, or inside the car. */
export type Reach = 'open' | 'behind' | 'inside'
type Facts = {
  name: string
  /** share of leaks that sit there before anything is known of a car, in parts (assumed) */
  weight: number
  reach: Reach
}

/** What is known of each place before anything is looked at; weights are assumed, then learned from what the shop found. */
export const PLACES: Record<LeakPlace, Facts> = {
  'compressor-seal': { name: 'compressor, shaft seal', weight: 14, reach: 'behind' },
  'compressor-body': { name: 'compressor, body', weight: 4, reach: 'open' },
  'joint-discharge': { name: 'joint, compressor to high hose', weight: 4, reach: 'open' },
  'hose-high': { name: 'high hose', weight: 6, reach: 'open' },
  'port-high': { name: 'high port, core and cap', weight: 9, reach: 'open' },
  'joint-condenser-in': { name: 'joint, into the condenser', weight: 4, reach: 'open' },
  condenser: { name: 'condenser', weight: 16, reach: 'behind' },
  'joint-condenser-out': { name: 'joint, out of the condenser', weight: 3, reach: 'open' },
  switch: { name: 'pressure switch', weight: 3, reach: 'open' },
  drier: { name: 'drier', weight: 2, reach: 'open' },
  'joint-drier': { name: 'joints of the drier', weight: 3, reach: 'open' },
  'joint-device': { name: 'joint at the expansion device', weight: 3, reach: 'behind' },
  device: { name: 'expansion device', weight: 1.5, reach: 'inside' },
  evaporator: { name: 'evaporator', weight: 7, reach: 'inside' },
  'joint-evaporator': { name: 'joint, out of the evaporator', weight: 3, reach: 'behind' },
  'joint-rear': { name: 'joints to the rear', weight: 4, reach: 'behind' },
  'evaporator-rear': { name: 'rear evaporator', weight: 6, reach: 'inside' },
  'port-low': { name: 'low port, core and cap', weight: 9, reach: 'open' },
  'hose-low': { name: 'low hose', weight: 4, reach: 'open' },
  'joint-suction': { name: 'joint, low hose to compressor', weight: 4, reach: 'open' },
  rig: { name: 'our own hoses and fittings', weight: 5, reach: 'open' },
}

/** The two ports: their cores are sealed while a coupler is on. */
export const PORTS: readonly LeakPlace[] = ['port-low', 'port-high']
const REAR: readonly LeakPlace[] = ['joint-rear', 'evaporator-rear']

/** The places this car has. */
export function placesOf({ opened }: Pick<JobState, 'opened'>): LeakPlace[] {
  const all = Object.keys(PLACES) as LeakPlace[]
  return evaporatorsOf(opened.volumeL) === 2 ? all : all.filter((place) => !REAR.includes(place))
}
