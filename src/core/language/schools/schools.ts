import { type P, spoken } from '../spoken'

export const W = spoken({
  byTheClockMin: (minutes: P) => `By the clock, ${minutes} min`,
  thatThePumpRanWater: 'That the pump ran. Water may still be there, and a short hold hides small leaks.',
  weighAndMeasure: 'Weigh and measure',
  dryToADewPoint: 'Dry to a dew point near −24 °C, and no leak above the limit that volume and gauge give.',
  leaksFirstThenWater: 'Leaks first, then water',
  largeLeaksBeforeTheLong: 'Large leaks before the long pull; the second hold tells small ones, and water from a leak.',
  byTheHoursItWas: 'By the hours it was open',
  anHourForACore: 'An hour for a core or a switch, a night for major parts: dry where the story was told right.',
  tripleNitrogenBetween: 'Triple, nitrogen between',
  waterIsSweptOutBetween: 'Water is swept out between the pulls; one hold at the end speaks for all three.',
  deep: 'Deep',
  dryToADewPointNear: 'Dry to a dew point near −33 °C; an hour of hold below 1,000 micron, by its own rule.',
  overnight: 'Overnight',
  smallLeaksIfTheBarometer: 'Small leaks, if the barometer and the temperature of the night are accounted for.',
  noPullOfItEnds: 'No pull of it ends by a depth: what is left of water nobody knows.',
  whetherItHoldsIsA:
    'Whether it holds is a person’s word; the judge stands beside it, and the record says whose word it was.',
  itsRuleLetsALeak: (rulenames: P, toPrecision: P, volumel: P) =>
    `Its rule, ${rulenames}, lets a leak of about ${toPrecision} g a year through, worst case, on ${volumel} L; ` +
    `damp and leak it cannot tell apart.`,
})
