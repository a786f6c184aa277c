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
    `${channel} in ${unit} counts from the air of the place; give barometer_Pa in the context or barometer rows in the file`,
  isNoRegularExpression: 'is no regular expression',
  mustNotBeNothing: 'must not be nothing',
  doesNotMatch: (source: P) => `${source} does not match`,
  matchesButHasNoGroup: (source: P, group: P) => `${source} matches, but has no group ${group}`,
  groupOfIsNoNumber: (group: P, source: P, text: P) => `group ${group} of ${source} is "${text}", no number`,
  inhg: (pa: P) => `${pa} inHg`,
  onlyTheNeedleMovedBy: (side: P, inches: P) =>
    `only the ${side} needle moved, by ${inches}: its own hose or gauge, not the car`,
  theAndTheNeedleStand: (side: P, side2: P, inches: P) =>
    `the ${side} and the ${side2} needle stand ${inches} apart throughout: one is off its zero`,
  theNeedleShowsMoreThan: (side: P, inches: P) =>
    `the ${side} needle shows ${inches} more than the air here can give: off its zero, or the altitude or barometer is another`,
  lowSide: 'low side',
  highSide: 'high side',
  airTemperature: 'air temperature',
  gasTemperatureOnAPipe: 'gas temperature, on a pipe',
  mbarInhg: (stored: P, stored2: P) => `${stored} mbar, ${stored2} inHg`,
  kpaPsig: (stored: P, fromPascal: P) => `${stored} kPa, ${fromPascal} psig`,
  suchAs295Or: 'such as 29.5; or with its unit, 776 micron',
  suchAs776400u21: 'such as 776, 400u, 21.6 inHg or 0.1 kPa',
  suchAs3232Psi: 'such as 32, 32 psi or 220 kPa',
  suchAs180180Psi: 'such as 180, 180 psi or 1250 kPa',
  suchAs374GOr: 'such as 374 g or 13.2 oz',
  suchAs22Or72: 'such as 22 or 72 F',
  suchAs8Or46: 'such as 8 or 46 F',
  asItReadsHere1008: 'as it reads here: 1008, 1008 mbar or 29.8 inHg',
  micronKpaAbsoluteInhgBelow: (fromPascal: P, toPrecision: P, fromPascal2: P) =>
    `${fromPascal} micron, ${toPrecision} kPa absolute, ${fromPascal2} inHg below the air`,
  inhgMoreThanTheAir: (beyond: P) =>
    `${beyond} inHg more than the air here can give: is it off its zero, or the altitude wrong? It is kept as typed.`,
  theHeaderIsElapsedS: (header: P) =>
    `the header is "${header}"; elapsed_s,channel,value,unit or time,channel,value,unit is expected, and a note may follow`,
  thereAreNoReadingsRows: 'there are no readings; rows are expected after the header',
  columnsAreExpected: (p1: P, p2: P) => `${p1} columns; ${p2} are expected`,
  thereIsNoColumnColumns: (p1: P, header: P) => `there is no column "${p1}"; columns are ${header}`,
  inTheColumnIsNo: (text: P, column: P) => `"${text}" in the column "${column}" is no number`,
  isNoTimeOfDay: (text: P) => `"${text}" is no time of day such as 14:05:30`,
  micron: (micron: P) => `${micron} micron`,
  atItsStopSomewhereFrom: (high: P) => `at its stop: somewhere from 0 to ${high}`,
  somewhereFromTo: (roughly: P, high: P) => `somewhere from ${roughly} to ${high}`,
  pa: (p1: P) => `${p1} Pa`,
  theColumnIsNotKnown: (p1: P) => `the column "${p1}" is not known; only note may follow`,
})
