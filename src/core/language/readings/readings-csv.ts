import { type P, spoken } from '../spoken'

export const W = spoken({
  theHeaderIsElapsedS: (header: P) =>
    `the header is "${header}"; elapsed_s,channel,value,unit or time,channel,value,unit is expected, and a note ` +
    `may follow`,
  thereAreNoReadingsRows: 'there are no readings; rows are expected after the header',
  columnsAreExpected: (p1: P, p2: P) => `${p1} columns; ${p2} are expected`,
  thereIsNoColumnColumns: (p1: P, header: P) => `there is no column "${p1}"; columns are ${header}`,
  inTheColumnIsNo: (text: P, column: P) => `"${text}" in the column "${column}" is no number`,
  isNoTimeOfDay: (text: P) => `"${text}" is no time of day such as 14:05:30`,
  theColumnIsNotKnown: (p1: P) => `the column "${p1}" is not known; only note may follow`,
})
