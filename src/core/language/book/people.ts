import { type P, spoken } from '../spoken'

export const W = spoken({
  nothingInThisTime: 'Nothing in this time.',
  halfOfChargesLieWithin: (charges: P, offMedianG: P, offMostG: P) =>
    ` Half of ${charges} charges lie within ${offMedianG} g of the plan, the farthest ${offMostG} g.`,
  ofAlarmsWereAnsweredBy: (unanswered: P, alarms: P) => ` ${unanswered} of ${alarms} alarms were answered by nobody.`,
  record: 'record',
  records: 'records',
  signed2: (signed: P, p2: P, charges: P, alarms: P) => `${signed} ${p2} signed.${charges}${alarms}`,
})
