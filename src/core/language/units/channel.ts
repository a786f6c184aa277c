import { type P, spoken } from '../spoken'

export const W = spoken({
  doesNotComeInUse: (channel: P, unit: P, allowed: P) => `${channel} does not come in ${unit}: use ${allowed}`,
  mustBeAFiniteNumber: (channel: P) => `${channel} must be a finite number`,
  gaugePressure: 'gauge pressure',
  vacuumReading: 'vacuum reading',
  isBeyondWhatAnyInstrument: (channel: P) =>
    `${channel} is beyond what any instrument here can show: check the figure and its unit`,
})
