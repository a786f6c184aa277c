import { type P, spoken } from '../spoken'

export const W = spoken({
  boiling: 'Boiling',
  whenDoesWaterBoilIn: 'When does water boil in there, and how dry is what is left?',
  vacuumAtTheCar: 'Vacuum at the car',
  coldestPartOfTheCar: 'Coldest part of the car',
  lnP54846763: 'ln p = 54.84 − 6763/T − 4.21 ln T + …, over ice below 0 °C; backwards by finding its root',
  murphyAndKoopQJ: 'Murphy and Koop, Q. J. R. Meteorol. Soc. 131, 1539 (2005)',
  itBoils: 'it boils',
  itDoesNotBoil: 'it does not boil',
  atWaterBoilsFromAt: (vacuum: P, celsius: P, celsius2: P, micron: P, main: P, celsius3: P) =>
    `At ${vacuum} water boils ` +
    `from ${celsius}; at ${celsius2} below ${micron} micron: ${main}. ` +
    `Dew point of what is left: ${celsius3} at most.`,
  at: (vacuum: P) => `At ${vacuum}`,
  iceWhichSublimesSlowly: ': ice, which sublimes slowly',
  waterBoilsFrom: (celsius: P, p2: P) => `water boils from ${celsius}${p2}`,
  belowMicron: (micron: P) => `below ${micron} micron`,
  dewPoint: 'Dew point',
  atMostLessWhereOther: (celsius: P) => `${celsius} at most: less where other gas is in it`,
  coldestPart: 'coldest part',
  waterBoilsBelowThisLine: 'water boils below this line',
})
