import { spoken } from '../spoken'

export const W = spoken({
  notLive: 'Not live. ',
  whatYouSeeIsFrom: 'What you see is from ',
  itGoesOnByItself: '; it goes on by itself when the line is back.',
  youAreSignedOut: 'You are signed out.',
  whatYouSeeStandsStill: ' What you see stands still.',
  signInAgain: 'Sign in again',
})
