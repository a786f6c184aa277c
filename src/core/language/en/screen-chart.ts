import { type P, spoken } from '../spoken'

export const W = spoken({
  min: (s: P) => `${s} min`,
  highSide: 'high side',
  lowSide: 'low side',
  ventC: (value: P) => `vent ${value} °C`,
  closer: 'Closer',
  closer2: 'closer',
  farther: 'Farther',
  farther2: 'farther',
  earlier: 'earlier',
  later: 'later',
  allOfIt: 'all of it',
  isolated: 'isolated',
})
