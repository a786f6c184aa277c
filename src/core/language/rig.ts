import { type P, spoken } from './spoken'

export const W = spoken({
  thereIsNoLeak: (index: P) => `there is no leak ${index}`,
  theEventAtSNames: (ts: P) => `the event at ${ts} s names no part of this rig`,
  noEndInSightAfter: (mosttries: P, t: P) => `no end in sight after ${mosttries} tries, at ${t} s`,
  thePressuresChangeTooFast: (t: P) => `the pressures change too fast to follow at ${t} s`,
})
