import { type P, spoken } from '../spoken'

export const W = spoken({
  byWhatItLost: 'by what it lost',
  byItsHold: 'by its hold',
  theMostChanceForIts: (percent: P, minutes: P) =>
    `The most chance for its minutes: it shows in ${percent}, ${minutes} min.`,
  lookForOilAndDye: 'Look for oil and dye, with a light.',
  nothingSeen: 'Nothing seen',
  couplersOffAndWatchIt: 'Couplers off, and watch it.',
  bothAreOffClosed: 'Both are off, closed',
  itRoseTheSame: 'It rose the same',
  closeEachBeforeItIs:
    'Close each before it is pulled off. A gauge that hangs on the manifold sees the car again once they are back on.',
  holdTheHosesAlone10: 'Hold the hoses alone, 10 min.',
  theyStoodStill: 'They stood still',
  theyRose: 'They rose',
  couplersOffTheCarAnd: 'Couplers off the car and closed, pump on the hoses, shut, and look.',
  dryNitrogenInTo: (pressure: P) => `Dry nitrogen in, to ${pressure}.`,
  itIsIn: (pressure: P) => `It is in, ${pressure}`,
  onlyThroughARegulatorWith:
    'Only through a regulator with a relief valve; never above the lower of the label’s and our own limit; never ' +
    'oxygen, never shop air.',
  whatThisCarsLabelAllows:
    'What this car’s label allows nobody has said yet: read it and type it before anything is let in.',
  thenSoapOnWhileIt: (soaps: P) => `Then soap on ${soaps}, while it soaks.`,
  aPartChargeInAnd: 'A part charge in, and the sniffer round.',
  itFoundNothing: 'It found nothing',
  refrigerantIsLetInBy:
    'Refrigerant is let in by weight, logged below, and recovered before anything is opened: never vented. ' +
    'Ventilate; no flame.',
  chargeItAndWeighIt: 'Charge it, and weigh it after weeks.',
  itIsThe: (p1: P) => `It is the ${p1}.`,
  whatWasSeen: 'what was seen',
  whatIsKnownOfThe: 'what is known of the car',
  byMendItAndSay: (percent: P, p2: P) => `${percent} by ${p2}: mend it, and say what was done.`,
  theNextHoldProvesIt: 'The next hold proves it, or not. A photograph of it, taken below, goes into the record.',
  mendedKeepIt: 'Mended: keep it',
  thenLogWhatWasRenewed: 'Then log what was renewed.',
  notFound: 'Not found.',
  withALeakOfA: (aYear: P, lifeWords: P) =>
    `With a leak of ${aYear} a charge to the middle of its label is short of it after ${lifeWords}: come back ` +
    `before, and weigh it.`,
  dyeInWithTheCharge: 'Dye in with the charge shows the next time what nothing shows today.',
  toppingUpYearAfterYear: 'Topping up year after year is against the law in many places; local codes decide.',
  thenLogWhatWasRenewedAnd: 'Then log what was renewed, and decide with whoever pays.',
  lookedForALeakOf: (aYear: P, size: P) => `Looked for: a leak of about ${aYear}, ${size}.`,
  leftAsLikely: (join: P) => `Left as likely: ${join}.`,
  assumed: 'assumed',
})
