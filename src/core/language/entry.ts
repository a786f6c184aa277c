import { type P, spoken } from './spoken'

export const W = spoken({
  jsonCannotCarryThis: (message: P) => `JSON cannot carry this: ${message}`,
  liesOutsideTheYearsTo: (first: P, last: P) => `lies outside the years ${first} to ${last}`,
  aTimeWithItsOffset: 'a time with its offset, such as 2026-11-25T14:03:00Z',
  holdsACharacterThatIs: 'holds a character that is no text (NUL, or half of a pair)',
})
