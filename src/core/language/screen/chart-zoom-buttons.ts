import { spoken } from '../spoken'

export const W = spoken({
  closer: 'Closer',
  closer2: 'closer',
  farther: 'Farther',
  farther2: 'farther',
  earlier: 'earlier',
  later: 'later',
  allOfIt: 'all of it',
})
