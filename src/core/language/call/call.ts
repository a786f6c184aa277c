import { type P, spoken } from '../spoken'

export const W = spoken({
  signedTheCarCanGo: 'Signed. The car can go.',
  by: (by: P, certificateWords: P) => `By ${by}, ${certificateWords}.`,
  changesFromHereOnAre: 'Changes from here on are corrections on top.',
  openTheRecord: 'Open the record',
  board: 'Board',
})
