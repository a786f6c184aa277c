import { type P, spoken } from '../spoken'

export const W = spoken({
  youAreSignedOut: 'You are signed out.',
  whatYouSeeStands: (out: P, signIn: P) => `${out} What you see stands still. ${signIn}`,
  signInAgain: 'Sign in again',
  notLive2: (p1: P) => `Not live. ${p1}`,
  whatYouSeeIs: (p1: P) => `What you see is from ${p1}; it goes on by itself when the line is back.`,
})
