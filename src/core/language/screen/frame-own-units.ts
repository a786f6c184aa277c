import { spoken } from '../spoken'

export const W = spoken({
  vacuum: 'Vacuum',
  pressure: 'Pressure',
  temperature: 'Temperature',
  mass: 'Mass',
  oil: 'Oil',
  lengths: 'Lengths',
  clock: 'Clock',
  saved: 'Saved.',
  units: 'Units',
  theUnitsYouThinkIn: 'The units you think in',
  whatYouReadWhatThe:
    'What you read, what the call says, and what you type without a unit. Records keep what was typed or sent, ' +
    'and SI beside it.',
})
