import { type P, spoken } from '../spoken'

export const W = spoken({
  loss: 'Loss',
  howFastDoesItLose: 'How fast does it lose, and when is it short again?',
  charged: 'Charged',
  chargedOn: 'Charged on',
  recovered: 'Recovered',
  recoveredOn: 'Recovered on',
  theLeastItWorksWith: 'The least it works with',
  gramsAYearChargedRecovered:
    'grams a year = (charged − recovered) / days × 365.25; short again when what is charged anew falls below the least',
  aChargeByAScale: 'a charge by a scale is taken to be 5 g off, a recovery 30 g (assumed)',
  aYear: (mass: P) => `${mass} a year`,
  noSpanToTellIt: 'no span to tell it from',
  to: (massText: P, mass: P) => `, ${massText} to ${mass}`,
  chargedAgainItIsShort: (shortBy: P) => ` Charged again it is short by ${shortBy}.`,
  onOnItLoses: (mass: P, iso: P, mass2: P, iso2: P, main: P, within: P, p7: P) =>
    `${mass} on ${iso}, ${mass2} on ${iso2}: it loses ${main}${within}.${p7}`,
  itLoses: 'It loses',
  n95Of100LieBetween: '95 of 100 lie between',
  fourteenDaysAtLeastHave: 'fourteen days at least have to lie between',
  chargedAgainShortBy: 'Charged again, short by',
  notWithinTwentyYearsOr: 'not within twenty years, or not known',
  inTheCar: 'in the car',
  chargedAgain: 'charged again',
  theLeast: 'the least',
})
