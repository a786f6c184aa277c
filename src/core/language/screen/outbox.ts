import { type P, spoken } from '../spoken'

export const W = spoken({
  youAreSignedOut: 'You are signed out:',
  signInAgain: 'sign in again',
  thenItIsSent: ', then it is sent.',
  itIsKeptOnThis: 'It is kept on this device and sent by itself when the line is back.',
  notTaken: 'Not taken.',
  leaveItOut: 'Leave it out',
  useoutboxBelongsInsideOutboxprovider: 'useOutbox belongs inside OutboxProvider',
  somethingBeforeItWasNot: 'Something before it was not taken: look at the car once more, and sign again.',
  waitingToBeSent2: (p1: P) => `Waiting to be sent: ${p1}`,
  keptHereForIt: (p1: P, p2: P) => `Kept here for ${p1}: it is sent when ${p2} signs in on this device.`,
})
