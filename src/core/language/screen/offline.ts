import { type P, spoken } from '../spoken'

export const W = spoken({
  theBoard: 'The board',
  ledger: 'Ledger',
  rigRoom: 'Rig room',
  judge: 'Judge',
  newCar: 'New car',
  noLineHere: 'No line here.',
  thisPageWasNotOpened:
    'This page was not opened on this device before. What was is kept as it was last seen; what you do on it ' +
    'waits and is sent by itself when the line is back.',
  tryAgain: 'Try again',
  keptOnThisDevice: 'Kept on this device',
  nothingIsKeptHereYet: 'Nothing is kept here yet.',
  asAt2: (p1: P) => `as at ${p1}`,
})
