import { type P, spoken } from '../spoken'

export const W = spoken({
  handedOver: 'Handed over',
  noHold: 'No hold.',
  theHoldWasSkipped: (why: P) => `The hold was skipped: ${why}`,
  aLeakOfWouldHave: (aYear: P) => `a leak of ${aYear} would have shown`,
  nothingWasProved: 'nothing was proved',
  signedBy: (who: P, certificate: P, record: P) =>
    `Signed by ${who}, ${certificate}. ${record} holds every entry, the readings and the signature.`,
  itsRecord: 'Its record',
  underTheHood: 'Under the hood',
  theCertificateNumberGoesWith: 'the certificate number goes with the record',
  certificateNumber: 'Certificate number',
  noneIsAskedForHere: 'none is asked for here; the record says so where none is given',
  goesWithTheRecord: 'goes with the record',
  chargedTheLabelAsks: (p1: P) => `charged, the label asks for ${p1}`,
})
