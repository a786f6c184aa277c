import { type P, spoken } from '../spoken'

export const W = spoken({
  risesOrNone: (count: P) => `${count} rises, or none`,
})
