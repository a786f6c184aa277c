import { type P, spoken } from '../spoken'

export const W = spoken({
  leftUnjudged: 'left unjudged',
  leakWater: (chanceWords: P, chanceWords2: P) => `leak ${chanceWords}, water ${chanceWords2}`,
  can: (p1: P) => `can ${p1}`,
})
