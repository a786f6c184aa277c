import { type P, spoken } from '../spoken'

export const W = spoken({
  thisIsNoRecordIt: 'This is no record: it is not JSON from its first to its last character.',
  thisFileCallsItselfIt: (format: P) => `This file calls itself “${format}”: it is another program’s.`,
  thisFileDoesNotSay: 'This file does not say that it is a record: it has no “format”.',
  thisRecordCannotBe: (path: P, why: P) => `This record cannot be read: ${path}: ${why}.`,
})
