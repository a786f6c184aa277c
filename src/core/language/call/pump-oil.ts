import { type P, spoken } from '../spoken'

export const W = spoken({
  changeThePumpsOil: 'Change the pump’s oil',
  valvesFirstThenThePump: 'valves first, then the pump',
  changeItsOil: 'Change its oil.',
  valveIs: 'valve is',
  valvesAre: 'valves are',
  theShutTheCarKeeps: (p1: P) => `The ${p1} shut: the car keeps what it has, and nothing of the pull is lost.`,
  drainItWhileItIs:
    'Drain it while it is warm, open the inlet for a breath, fill to the middle of the glass. Old oil is ' +
    'collected, never poured away.',
  itsOilIsHotAfter: 'Its oil is hot after an hour of pulling.',
  freshOilIsIn: 'Fresh oil is in',
  leaveTheOldOilIn: 'Leave the old oil in',
  valve: 'valve',
  valves: 'valves',
  thenThePumpOnA: (p1: P) =>
    `Then the pump on, a minute to warm, then the ${p1}: the pull goes on, its minutes count from there.`,
})
