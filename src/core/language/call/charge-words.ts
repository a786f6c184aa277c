import { type P, spoken } from '../spoken'

export const W = spoken({
  onTheScale: (unit: P, unit2: P, otherMass: P) => `${unit}${unit2}on the scale, ${otherMass}`,
})
