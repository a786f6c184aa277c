import { sidesOf, valveOf } from '../job/sides'
import type { JobState } from '../job/state'
import { W } from '../language/call/pump-oil'
import { type Call, type CallButton, type Deed, record, set } from './types'

const oil = (stage: Extract<Deed, { kind: 'pump-oil' }>['payload']['stage']): Deed => ({
  kind: 'pump-oil',
  payload: { stage },
})

/** In the middle of a pull: the car is shut in first, then the pump stops. */
export const shutForOil = ({ opened }: Pick<JobState, 'opened'>): CallButton => ({
  label: W.changeThePumpsOil,
  sub: W.valvesFirstThenThePump,
  key: 'O',
  does: record(...sidesOf(opened.rig).map((side) => set(valveOf(side), 'closed')), set('pump', 'off'), oil('begun')),
})

/** The car waits behind its shut valves while the pump gets fresh oil. */
export function callPumpOil(state: JobState): Call {
  const one = sidesOf(state.opened.rig).length === 1
  return {
    sentence: W.changeItsOil,
    why: [W.theShutTheCarKeeps(one ? W.valveIs : W.valvesAre), W.drainItWhileItIs],
    watch: [W.itsOilIsHotAfter],
    action: { label: W.freshOilIsIn, key: 'O', does: record(oil('done')) },
    plain: [{ label: W.leaveTheOldOilIn, key: 'L', does: record(oil('left')) }],
    after: W.thenThePumpOnA(one ? W.valve : W.valves),
  }
}
