import { type P, spoken } from '../spoken'

export const W = spoken({
  min: (minutes: P) => `${minutes} min`,
  hMin: (minutes: P, minutes2: P) => `${minutes} h ${minutes2} min`,
})
