import { spoken } from '../spoken'

export const W = spoken({
  aJobClockHasAt: 'a job clock has at least one segment',
})
