import { type P, spoken } from '../spoken'

export const W = spoken({
  needle: 'Needle',
  whatCanANeedleShow: 'What can a needle show here, and what does its reading mean?',
  theNeedleShows: 'The needle shows',
  coldestPartOfTheCar: 'Coldest part of the car',
  absoluteAirInches33864:
    'absolute = air − inches × 3386.4 Pa, give or take half an inch; air = 101 325 Pa × (1 − 2.25577·10⁻⁵ h)^5.25588',
  icaoStandardAtmosphereHalfAn: 'ICAO standard atmosphere; half an inch is what a needle can be read to (assumed)',
  anythingBelowMicron: (micron: P) => `anything below ${micron} micron`,
  toMicron: (micron: P, micron2: P) => `${micron} to ${micron2} micron`,
  waterBoilsThere: 'water boils there',
  noWaterBoilsThere: 'no water boils there',
  whetherWaterBoilsThereIt: 'whether water boils there it cannot tell',
  atMost: (celsius: P) => `${celsius} at most`,
  hotterThanAnyBay: 'hotter than any bay',
  needleAtInhgAirBottom: (figure: P, pressure: P, span: P, bottom: P, celsius: P, boils: P) =>
    `Needle at ${figure} inHg, air ${pressure}: ${span}; bottom here ${bottom} inHg; at ${celsius} ${boils}.`,
  itsBottomHere: 'Its bottom here',
  inhgNot30: (bottom: P) => `${bottom} inHg, not 30`,
  theReadingMeans: 'The reading means',
  waterAt: (celsius: P) => `Water at ${celsius}`,
  boilsBelowMicron: (micron: P, boils: P) => `boils below ${micron} micron: ${boils}`,
  waterBoilsAtThisReading: 'Water boils at this reading',
  from: (warm: P) => `from ${warm}`,
  waterBoils: 'water boils',
  whatTheReadingCanMean: 'what the reading can mean',
  waterBoilsAt: (celsius: P) => `water boils at ${celsius}`,
})
