import { type P, spoken } from '../spoken'

export const W = spoken({
  inhg: (pa: P) => `${pa} inHg`,
  onlyTheNeedleMovedBy: (side: P, inches: P) =>
    `only the ${side} needle moved, by ${inches}: its own hose or gauge, not the car`,
  theAndTheNeedleStand: (side: P, side2: P, inches: P) =>
    `the ${side} and the ${side2} needle stand ${inches} apart throughout: one is off its zero`,
  theNeedleShowsMoreThan: (side: P, inches: P) =>
    `the ${side} needle shows ${inches} more than the air here can give: off its zero, or the altitude or ` +
    `barometer is another`,
})
