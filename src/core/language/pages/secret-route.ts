import { spoken } from '../spoken'

export const W = spoken({
  aCalendarOfThisAddress: 'a calendar of this address',
})
