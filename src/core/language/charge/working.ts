import { type P, spoken } from '../spoken'

export const W = spoken({
  theMiddleOfTo: (both: P, both2: P) => `, the middle of ${both} to ${both2}`,
  nothingStaysInTheHose: 'nothing stays in the hose, it is drawn down',
  ofStayInTheHose: (both: P, phase: P) => `${both} of ${phase} stay in the hose`,
  onTheScaleEmptySo: (id: P, both: P, both2: P, both3: P) =>
    `${id}: ${both} on the scale, empty ${both2}, so it holds ${both3}`,
  itsHeelOfStays: (both: P) => `its heel of ${both} stays; `,
  takesOutOfItPurged: (holds: P, p2: P, both: P, both2: P, stop: P) =>
    `${holds}; ${p2}takes out ${both}, ${both2} of it purged; ${stop}.`,
  target: (massWords: P, range: P) => `Target ${massWords}${range}.`,
  weighedOutIntoTheCar: (both: P, both2: P, held: P, both3: P) =>
    `Weighed out: ${both} into the car + ${both2} purged; ${held}: ${both3}.`,
  intoTheCarAt95: (massWords: P, both: P, both2: P) =>
    `Into the car ${massWords}, at 95 % between ${both} and ${both2}.`,
  within: (both: P) => `Within ±${both}.`,
  notWithinForCertain: (both: P) => `Not within ±${both} for certain.`,
  change: 'change',
  close: 'close',
  atWord: (p1: P, massWords: P) => `${p1} at ${massWords}`,
})
