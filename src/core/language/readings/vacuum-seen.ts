import { type P, spoken } from '../spoken'

export const W = spoken({
  micron: (micron: P) => `${micron} micron`,
  atItsStopSomewhereFrom: (high: P) => `at its stop: somewhere from 0 to ${high}`,
  somewhereFromTo: (roughly: P, high: P) => `somewhere from ${roughly} to ${high}`,
  pa: (p1: P) => `${p1} Pa`,
  inHgBelowTheAir: 'inHg below the air',
})
