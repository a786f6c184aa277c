import { type P, spoken } from '../spoken'

export const W = spoken({
  theLastDayMustNot: 'the last day must not lie before the first',
  stoodThereAtTheBeginning: 'Stood there at the beginning',
  bought: 'Bought',
  broughtByCansOfSingle: 'Brought by cans of single jobs',
  recoveredFromCars: 'Recovered from cars',
  chargedIntoCars: 'Charged into cars',
  purgedOutOfHoses: 'Purged out of hoses',
  leftInEmptiedCans: 'Left in emptied cans',
  handedIn: 'Handed in',
  lostWithAReason: 'Lost, with a reason',
  differencesExplained: 'Differences explained',
  differencesNotExplained: 'Differences not explained',
  standsThereAtTheEnd: 'Stands there at the end',
  kg: (g: P) => `${g} kg`,
  nothingMoved: (refrigerant: P) => `${refrigerant}: nothing moved.`,
  everyGramIsExplained: 'Every gram is explained.',
  missing: 'missing',
  tooMuch: 'too much',
  notExplained: (kg: P, p2: P) => `${kg} ${p2}, not explained.`,
  wentIntoCarsCameOut: (refrigerant: P, kg: P, kg2: P, p4: P) =>
    `${refrigerant}: ${kg} went into cars, ${kg2} came out of them. ${p4}`,
})
