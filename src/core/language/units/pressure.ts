import { type P, spoken } from '../spoken'

export const W = spoken({
  vacuumReading: 'vacuum reading',
  countsFromTheAirOf: (unit: P) => `${unit} counts from the air of the place: give a barometer or an altitude`,
  inhgHere: 'inHg here',
  typeANumberAndIts: 'type a number and its unit, such as 776 micron or 21.5 inHg',
  typeAPlainNumberSuch: 'type a plain number, such as 776',
  theUnitIsNotKnown: (word: P, join: P) => `the unit "${word}" is not known here: use ${join}`,
})
