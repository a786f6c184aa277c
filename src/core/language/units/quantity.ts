import { type P, spoken } from '../spoken'

export const W = spoken({
  isAA: (from: P, kind: P, p3: P, kind2: P) => `${from} is a ${kind}, ${p3} a ${kind2}`,
})
