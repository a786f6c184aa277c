import { type P, spoken } from '../spoken'

export const W = spoken({
  kpa: (pa: P) => `${pa} kPa`,
  pa: (p1: P) => `${p1} Pa`,
  kpaPsig: (paG: P, paG2: P) => `${paG} kPa, ${paG2} psig`,
})
