import { sidesOf, valveOf } from '../job/sides'
import type { JobState } from '../job/state'
import { type Call, type CallButton, type Deed, record, set } from './types'

const oil = (stage: Extract<Deed, { kind: 'pump-oil' }>['payload']['stage']): Deed => ({
  kind: 'pump-oil',
  payload: { stage },
})

/** In the middle of a pull: the car is shut in first, then the pump stops. */
export const shutForOil = ({ opened }: Pick<JobState, 'opened'>): CallButton => ({
  label: 'Change the pump’s oil',
  sub: 'valves first, then the pump',
  key: 'O',
  does: record(...sidesOf(opened.rig).map((side) => set(valveOf(side), 'closed')), set('pump', 'off'), oil('begun')),
})

/** The car waits behind its shut valves while the pump gets fresh oil. */
export function callPumpOil(state: JobState): Call {
  const one = sidesOf(state.opened.rig).length === 1
  return {
    sentence: 'Change its oil.',
    why: [
      `The ${one ? 'valve is' : 'valves are'} shut: the car keeps what it has, and nothing of the pull is lost.`,
      'Drain it while it is warm, open the inlet for a breath, fill to the middle of the glass. Old oil is collected, never poured away.',
    ],
    watch: ['Its oil is hot after an hour of pulling.'],
    action: { label: 'Fresh oil is in', key: 'O', does: record(oil('done')) },
    plain: [{ label: 'Leave the old oil in', key: 'L', does: record(oil('left')) }],
    after: `Then the pump on, a minute to warm, then the ${one ? 'valve' : 'valves'}: the pull goes on, its minutes count from there.`,
  }
}
