import { type P, spoken } from '../spoken'

export const W = spoken({
  typeWhatItShows: 'Type what it shows',
  readTheGaugeNowAnd: 'Read the gauge now and type what it shows.',
  oneMoreReadingDecides: '; one more reading decides',
  readItAgainAt: (clock: P, p2: P) => `Read it again at ${clock}${p2}.`,
  aboutThen: (mass: P) => `about ${mass} then`,
  readTheScaleNowAnd: 'Read the scale now and type what it shows.',
  readTheScaleAt: (clock: P, about: P) => `Read the scale at ${clock}: ${about}.`,
})
