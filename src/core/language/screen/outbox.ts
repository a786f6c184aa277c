import { spoken } from '../spoken'

export const W = spoken({
  waitingToBeSent: 'Waiting to be sent: ',
  youAreSignedOut: 'You are signed out:',
  signInAgain: 'sign in again',
  thenItIsSent: ', then it is sent.',
  itIsKeptOnThis: 'It is kept on this device and sent by itself when the line is back.',
  keptHereFor: 'Kept here for ',
  itIsSentWhen: ': it is sent when ',
  signsInOnThisDevice: ' signs in on this device.',
  notTaken: 'Not taken.',
  leaveItOut: 'Leave it out',
  useoutboxBelongsInsideOutboxprovider: 'useOutbox belongs inside OutboxProvider',
  somethingBeforeItWasNot: 'Something before it was not taken: look at the car once more, and sign again.',
})
