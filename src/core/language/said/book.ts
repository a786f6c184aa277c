import { type P, spoken } from '../spoken'

export const W = spoken({
  howFastItLosesIs: 'How fast it loses is not known: it takes a charge here and a recovery after it.',
  oneSpan: 'one span',
  spans: (spans: P) => `${spans} spans`,
  betweenAChargeAndA: (p1: P) => `${p1} between a charge and a recovery`,
  noLossIsCertainBy: (span: P, grams: P, grams2: P) =>
    `No loss is certain: by ${span} ${grams} g a year, at most ${grams2}.`,
  itLosesGAYear: (grams: P, grams2: P, grams3: P, span: P) =>
    `It loses ${grams} g a year (${grams2} to ${grams3}), by ${span}.`,
  itIsNotShortWithin: 'It is not short within twenty years.',
  oneOfTenSuchCars: (month: P) => `One of ten such cars is short by ${month}, most are not.`,
  itIsLikelyShortBy: 'It is likely short by now',
  halfOfSuchCarsAre: (month: P) => `Half of such cars are short by ${month}`,
  nineOfTenBy: (month: P) => `, nine of ten by ${month}`,
  oneOfTenBy: (month: P, p2: P) => `, one of ten by ${month}${p2}`,
  callItIn: ' Call it in.',
  gAYear: (words: P, grams: P) => `${words}, ${grams} g a year`,
  noLeakAboveGA: (words: P, grams: P) => `${words}, no leak above ${grams} g a year`,
  gCharged: (grams: P) => `${grams} g charged`,
  notCharged: 'not charged',
  gRecovered: (grams: P) => `${grams} g recovered`,
  theLeakGrowsFromHold: 'The leak grows from hold to hold: look for it before the next charge.',
  aLeakWasFoundAnd: 'A leak was found and is gone since.',
  itStillLeaksAsIt: 'It still leaks as it did.',
  noHoldTellsOfA: 'No hold tells of a change.',
})
