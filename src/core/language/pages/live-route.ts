import { spoken } from '../spoken'

export const W = spoken({
  sayWhereToBegin: 'say where to begin',
  readingsEventsSuchAs0: 'readings.events, such as 0.1',
})
