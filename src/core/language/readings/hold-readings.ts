import { type P, spoken } from '../spoken'

export const W = spoken({
  itsTimeLiesBeforeThat: (line: P) => `its time lies before that of line ${line}; rows must stand in order of time`,
  isolatedAtLineTheRows: (line: P, from: P) => `isolated at line ${line}; the ${from} rows before it are not judged`,
  thereIsNoRowOf: 'there is no row of the channel vacuum, low or high; a hold needs some',
  lineRepeatsTheTimeOf: (line: P) => `line ${line} repeats the time of the row before; their mean is used`,
  anIso8601TimeWith: 'an ISO 8601 time with its offset',
  aFiniteNumberOfSeconds: 'a finite number of seconds',
  isIsExpected: (timed: P, at: P, p3: P) => `${timed} is "${at}"; ${p3} is expected`,
  channelIsExpectedOneOf: (channel: P, channels: P) => `channel is "${channel}"; expected one of ${channels}`,
  unitIsExpectedOneOf: (unit: P, readingunits: P) => `unit is "${unit}"; expected one of ${readingunits}`,
  valueIsAFiniteNumber: (value: P) => `value is "${value}"; a finite number is expected`,
  inCountsFromTheAir: (channel: P, unit: P) =>
    `${channel} in ${unit} counts from the air of the place; give barometer_Pa in the context ` +
    `or barometer rows in the file`,
})
