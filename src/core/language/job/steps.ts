import { spoken } from '../spoken'

export const W = spoken({
  takeIn: 'Take in',
  zero: 'Zero',
  fix: 'Fix',
  rig: 'Rig',
  pull: 'Pull',
  isolate: 'Isolate',
  hold: 'Hold',
  charge: 'Charge',
  prove: 'Prove',
  leave: 'Leave',
})
