import { type P, spoken } from '../spoken'

export const W = spoken({
  readingsAreSentByPost: 'readings are sent by POST',
  sendTheDeviceTokenAs: 'send the device token as: Authorization: Bearer …',
  thisDeviceTokenIsNot: 'this device token is not known here',
  thisTokenIsAnInstruments: 'this token is an instrument’s, not the bench’s',
  noReadingsSendOneJson: 'no readings: send one JSON object a line',
  readingsInOneRequestSend: (p1: P, mostlines: P) => `${p1} readings in one request: send at most ${mostlines}`,
  line: (i: P) => `line ${i}`,
  liesMoreThan5Minutes: 'lies more than 5 minutes ahead: set the clock of the device',
  thisJob: 'this job',
  theNumberIsInThis: (seq: P) => `the number ${seq} is in this request twice`,
  theRecordIsSignedReadings: 'The record is signed: readings can no longer be added.',
  liesAheadOfTheJobs: (iso: P, iso2: P) => `${iso} lies ahead of the job’s clock, which shows ${iso2}`,
  liesBeforeTheCarCame: (iso: P, iso2: P) =>
    `${iso} lies before the car came, at ${iso2}: a car that came earlier is taken in dated back`,
})
