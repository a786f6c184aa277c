import { type P, spoken } from '../spoken'

export const W = spoken({
  typeAWeightSuchAs: 'type a weight such as 567 g, 20 oz, 1 lb 4 oz or 0.54 kg',
  withOuncesBehindItThe: 'with ounces behind it the pounds must be a whole number',
  aPoundHasOuncesAfter: (ouncesperpound: P) =>
    `a pound has ${ouncesperpound} ounces: after the pounds type less than 16 oz`,
  lbOz: (value: P, digits: P) => `${value} lb ${digits} oz`,
  typeOneFigureOrA: 'type one figure or a range such as 530-560 g',
  theRangeRunsFromThe: 'the range runs from the larger to the smaller figure: type the smaller one first',
  oz: (grams: P) => `${grams} oz`,
  kg: (grams: P) => `${grams} kg`,
  lbIsNot: (typed: P, formatPoundsOunces: P, lookalike: P) => `${typed} lb is ${formatPoundsOunces}, not ${lookalike}`,
})
