import { spoken } from '../spoken'

export const W = spoken({
  aJobBeginsWithThe: 'a job begins with the event job-opened',
})
