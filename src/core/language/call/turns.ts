import { type P, spoken } from '../spoken'

export const W = spoken({
  readItAtRestRecover: 'Read it at rest, recover',
  openItAgainMend: 'Open it again, mend',
  rigAnew: 'Rig anew',
  pullAgain: 'Pull again',
  chargeAgain: 'Charge again',
  whatIsInStaysIn: 'What is in stays in and counts; only what is missing is planned.',
  areInTheCarAnd: (mass: P) =>
    `${mass} are in the car and have to be recovered, with certified equipment only; what is booked as charged ` +
    `stays in the ledger.`,
  engineOffWithItThe: 'Engine off with it: the gauges are read at rest.',
  areInTheCarThey: (mass: P, zero: P) => `${mass} are in the car: they are recovered first, by way of ${zero}.`,
  theCouplersAreNotOn: (rig: P) => `The couplers are not on: by way of ${rig}.`,
  theHoldEndsHereUnjudged: 'The hold ends here, unjudged; its readings stay.',
  theVacuumIsLostAir: 'The vacuum is lost: air and moisture come in, and the next pull begins from the top.',
  isOnTheScaleShut: (id: P) => `${id} is on the scale: shut it and weigh it first.`,
  isOnTheScaleShutIt: (id: P) => `${id} is on the scale: shut it and weigh it first.`,
})
