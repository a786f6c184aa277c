import { type P, spoken } from '../spoken'

export const W = spoken({
  saysNothingNeitherWhatCame: 'says nothing: neither what came out, nor what went in, nor what was found',
  withItsUnitInEach: 'with its unit in each cell',
  aCarHasAName: 'a car has a name',
  noDayIsExpected: (dateorders: P) => `no day: ${dateorders} is expected`,
  liesAheadOfToday: 'lies ahead of today',
  gIsNoChargeIs: (grams: P) => `${grams} g is no charge: is the column in another unit?`,
  oneOfOrNothing: (formerverdicts: P) => `one of ${formerverdicts}, or nothing`,
  oneOf: (refrigerants: P) => `one of ${refrigerants}`,
  theSameAsLineOne: (first: P) => `the same as line ${first}: one of the two is too much`,
  aWeightWithoutAUnit: 'a weight without a unit, where each cell has its own',
  inWhereTheColumnIs: (unit: P, weightunits: P) =>
    `in ${unit}, where the column is in ${weightunits}: mixed units are not guessed at`,
  broughtInFromAFile: 'brought in from a file',
  grams: 'grams',
  ounces: 'ounces',
  pounds: 'pounds',
  kilograms: 'kilograms',
})
