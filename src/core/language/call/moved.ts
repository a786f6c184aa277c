import { type P, spoken } from '../spoken'

export const W = spoken({
  moved: (p1: P) => `moved:${p1}:`,
  earlier: 'earlier',
  later: 'later',
  thePullEndsMinThan: (minutes: P, p2: P, clock: P) => `The pull ends ${minutes} min ${p2} than thought, at ${clock}.`,
})
