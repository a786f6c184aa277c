import { LEAVE_ITEMS } from './events'
import type { RigState } from './parts'
import type { JobState, LeaveItem } from './state'
import type { Rig } from './written'

export type Side = 'low' | 'high'

/**
 * The sides a rig reaches: one hose goes on the low port, where nothing was opened on the high side or nothing fits.
 */
export const sidesOf = ({ hoses }: Pick<Rig, 'hoses'>): readonly Side[] => (hoses === 1 ? ['low'] : ['low', 'high'])

/** A rig whose hoses end at the pump's own tee and whose tools carry the valves: there is no manifold in it. */
export const isWithoutManifold = ({ cores, pumpHose }: Pick<Rig, 'cores' | 'pumpHose'>): boolean =>
  cores === 'out' && pumpHose === undefined

export const valveOf = (side: Side): `valve-${Side}` => `valve-${side}`
export const couplerOf = (side: Side): `coupler-${Side}` => `coupler-${side}`

/** Whether every side the rig reaches stands in a state. */
export const everySide = (
  rig: RigState,
  sides: readonly Side[],
  part: 'valve' | 'coupler',
  state: 'closed' | 'open' | 'off',
): boolean => sides.every((side) => rig[part === 'valve' ? valveOf(side) : couplerOf(side)] === state)

/** Whether anything hangs on the high port by which its pressure could be read. */
export const highIsSeen = ({ rig }: Pick<JobState, 'rig'>): boolean => rig['coupler-high'] !== 'off'

/**
 * The closing list of this car, in its order: what is not on it needs no taking off, and cores that came out go back in
 * before their tools do.
 */
export function leaveItemsOf(state: Pick<JobState, 'rig' | 'opened' | 'left'>): readonly LeaveItem[] {
  const { rig, opened, left } = state
  return LEAVE_ITEMS.filter((item) => {
    if (left.includes(item)) return true
    if (item === 'cores-in') return opened.rig.cores === 'out' && rig.cores === 'out'
    return item !== 'high-coupler-off' || sidesOf(opened.rig).includes('high')
  })
}

/** Hoses hang on the car, and are in what is held, unless both couplers are off. */
export const hosesOnCar = (rig: RigState): boolean => rig['coupler-low'] !== 'off' || rig['coupler-high'] !== 'off'
