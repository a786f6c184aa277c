import { type P, spoken } from '../spoken'

export const W = spoken({
  atMost: 'at most ',
  atLeast: 'at least ',
  pageOfRecoveryVentingPurchase: (said: P, pageNumber: P, totalPages: P) =>
    `${said} · page ${pageNumber} of ${totalPages} · Recovery, venting, purchase and records are regulated: ` +
    `local codes and licensed practice decide.`,
  notSignedThisIsA: 'NOT SIGNED: this is a draft and certifies nothing.',
  onTheSimulatedBenchNo: 'On the simulated bench: no real car was worked on.',
  nothingCharged: 'nothing charged',
  ofTheLabelAsksFor: (refrigerant: P, typed: P) => ` of ${refrigerant}; the label asks for ${typed}`,
  signedBy: 'Signed by ',
  notSignedYet: 'Not signed yet.',
  theCodeOpensTheCheck: (head: P, groupedFingerprint: P) =>
    `The code opens the check of this record: drop its file there and it says whether it is the one this paper ` +
    `was printed of. Chain ends in ${head}. Key ${groupedFingerprint}.`,
  corrected: 'Corrected',
  is: (was: P, is: P, why: P, by: P, at: P) => `“${was}” is “${is}”, ${why}; ${by}, ${at}`,
  everyEntry: 'Every entry',
  nothingWasPulledOrHeld: 'Nothing was pulled or held.',
  target: (vacuum: P) => `target ${vacuum}`,
  waterBoilsBelow: (vacuum: P) => `water boils below ${vacuum}`,
  noReadingsWereKeptOf: 'No readings were kept of it.',
  in2: (mass: P) => `${mass} in`,
  plannedAllowedTo: (mass: P, mass2: P, mass3: P) => `planned ${mass}, allowed ${mass2} to ${mass3}`,
  atIdle: 'at idle',
  atSpeed: 'at speed',
  thisJob: 'this job',
  theRecordIsSealedWhen: 'The record is sealed when the job is signed; it is not signed yet.',
  thisJobsLogDoesNot: (place: P, reason: P) =>
    `this job’s log does not hold (${place} ${reason}); the record is not sealed`,
  record: (place: P) => `record${place}`,
  it: (reason: P) => `it ${reason}`,
  isNoIdOfA: 'is no id of a job',
  thisJobIsHereAlready: 'This job is here already, with other entries than the record has: it stays as it is.',
  cannotBeStoredSoThat: 'cannot be stored so that they come out again as they were signed; nothing was stored',
  readingsLine: (i: P) => `readings, line ${i}`,
  cannotBeRead: 'cannot be read',
  thisRecordIsSignedAlready: 'This record is signed already.',
  signAfterTheLastStep: 'Sign after the last step, or close the job as what it is: it is not there yet.',
  yourAccountHasNoCertificate:
    'Your account has no certificate number: the lead enters it on the Shop page, then you sign.',
  notWrittenDown: 'not written down',
  isNotYoursWhichIs: (certificate: P) => `is not yours, which is ${certificate}`,
  theCertificateNumberWhoeverSigns: (reason: P) =>
    `The certificate number ${reason}: whoever signs vouches with his own.`,
  anEntryThisVersionCannot: (kind: P, why: P) => `an entry “${kind}” this version cannot read: ${why}`,
})
