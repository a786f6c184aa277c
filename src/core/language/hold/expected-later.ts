import { type P, spoken } from '../spoken'

export const W = spoken({
  mbar: (pa: P) => `${pa} mbar`,
  theNeedleShouldShowInhg: (inches: P, mbar: P, inches2: P, mbar2: P) =>
    `The needle should show ${inches} inHg then, with the air as it is now (${mbar}); ${inches2} if the ` +
    `barometer falls to ${mbar2}. Read the barometer with it.`,
  byThisHoldsCurveIt: (vacuum: P, vacuumSpan: P) =>
    `By this hold’s curve it shows about ${vacuum} after a day, 8 in 10 between ${vacuumSpan}.`,
  ifItIsTightAnd: (vacuum: P) =>
    `If it is tight and dry it shows about ${vacuum} then, warmer a little more; a leak adds to it hour by hour.`,
})
