import { type P, spoken } from '../spoken'

export const W = spoken({
  aFigureAndItsUnit: 'a figure and its unit, such as 20 inHgV, 7 C or 18 oz',
  inhgBelowTheAir: 'inHg below the air',
  kpaAboveTheAir: 'kPa above the air',
  flOz: 'fl oz',
  units: 'Units',
  whatIsThisInThe: 'What is this in the other units?',
  anyFigureWithItsUnit: 'Any figure with its unit',
  n1Micron013332Pa:
    '1 micron = 0.13332 Pa; 1 inHg = 3386.4 Pa; 1 psi = 6894.8 Pa; 1 oz = 28.35 g; 1 cfm = 0.4719 L/s; inHgV, ' +
    'psig and kPag count from the air of the place',
  definitionsANeedleIsRead: 'definitions; a needle is read to half an inch (assumed)',
  to: (at: P, at2: P) => ` (${at} to ${at2})`,
  aboveTheAir: 'above the air',
  belowTheAir: 'below the air',
  airHere: 'air here',
})
