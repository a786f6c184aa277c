import { type P, spoken } from '../spoken'

export const W = spoken({
  youAreSignedOut: (waiting: P, signIn: P) => `${waiting} You are signed out: ${signIn}, then it is sent.`,
  signInAgain: 'sign in again',
  itIsKeptOnThis: (waiting: P) => `${waiting} It is kept on this device and sent by itself when the line is back.`,
  notTaken: 'Not taken.',
  leaveItOut: 'Leave it out',
  useoutboxBelongsInsideOutboxprovider: 'useOutbox belongs inside OutboxProvider',
  somethingBeforeItWasNot: 'Something before it was not taken: look at the car once more, and sign again.',
  waitingToBeSent2: (p1: P) => `Waiting to be sent: ${p1}.`,
  keptHereForIt: (p1: P, p2: P) => `Kept here for ${p1}: it is sent when ${p2} signs in on this device.`,
})
