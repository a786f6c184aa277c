import { type P, spoken } from '../spoken'

export const W = spoken({
  aPressureOfPaIs: (pressurePa: P) => `a pressure of ${pressurePa} Pa is none`,
})
