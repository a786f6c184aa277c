import { type P, spoken } from '../spoken'

export const W = spoken({
  nitrogen: 'Nitrogen',
  whatDoesTheGaugeOf: 'What does the gauge of a tight car show when it gets warmer or colder?',
  itStoodAt: 'It stood at',
  whileTheCarWasAt: 'while the car was at',
  nowTheCarIsAt: 'Now the car is at',
  pPTTBoth: 'p₂ = p₁ × T₂/T₁, both absolute: the air is added before and taken off after',
  theGasLawNitrogenIs: 'the gas law; nitrogen is within 0.3 % of it here',
  nitrogenAtAndATight: (bothPressures: P, celsius: P, main: P, celsius2: P, by: P) =>
    `Nitrogen at ${bothPressures} and ${celsius}: a tight car shows ${main} at ${celsius2}, ${by} by temperature ` +
    `alone.`,
  aTightCarShows: 'A tight car shows',
  byTemperatureAlone: 'By temperature alone',
  forOneDegree: 'For one degree',
  mind: 'Mind',
  regulatorWithAReliefValve:
    'regulator with a relief valve, below the label’s limit, never oxygen or shop air; let it out before the pump runs',
  aTightCar: 'a tight car',
  itStoodHere: 'it stood here',
  carNow: 'car now',
  down: 'down',
  up: 'up',
})
