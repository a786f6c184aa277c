import { type P, spoken } from '../spoken'

export const W = spoken({
  aPartOfACan:
    'A part of a can cannot be known without a scale: a kitchen scale in steps of 1 g under the can makes it knowable.',
  canBrings: 'can brings',
  cansBring: 'cans bring',
  wholeAbout: (count: P, p2: P, mass: P) => `${count} whole ${p2} about ${mass}, `,
  betweenAnd: (massText: P, mass: P) => `between ${massText} and ${mass}`,
  theLabelAsksFor: (mass: P, mass2: P) => `the label asks for ${mass} ±${mass2}`,
  itLands: (band: P, asks: P) => `${band}; ${asks}: it lands.`,
  itMayMissItAnd: (band: P, asks: P) => `${band}; ${asks}: it may miss it, and nobody will know without a scale.`,
  tooLittleForCertain: (band: P, asks: P, knowable: P) => `${band}; ${asks}: too little for certain. ${knowable}`,
  tooMuchForCertain: (band: P, asks: P, knowable: P) => `${band}; ${asks}: too much for certain. ${knowable}`,
  canOf: (done: P, count: P) => `Can ${done} of ${count}`,
  onPurgeThenOpen: (p1: P) => `${p1} on. Purge, then open.`,
  theTapsNeedleBackedOut: 'The tap’s needle backed out before it goes on the can; then pierce it, and open.',
  aShortHissAtThe: 'A short hiss at the manifold end first: the line holds air.',
  intoTheVacuumFirstEngine: 'Into the vacuum first, engine off, until the flow stops; then engine on, low side only.',
  lowSideOnlyVapourUpright: 'Low side only, vapour, upright.',
  highSideStaysShutWhile: 'High side stays shut while the engine runs: the can would burst.',
  eyeProtectionAndGlovesOn: 'Eye protection and gloves on.',
  itIsOpen: 'It is open',
  thenUntilItIsEmpty: 'Then until it is empty: light, no longer cold, nothing moves in it.',
  untilItIsEmpty: (p1: P) => `${p1}: until it is empty.`,
  theFlowStopsWhenThe: 'The flow stops when the pressures have met: then engine on, cooling at maximum.',
  emptyIsLightNoLonger:
    'Empty is light, no longer cold, and nothing moves when it is shaken; warm water brings the rest, 50 °C (122 ' +
    '°F) at most.',
  canIsEmpty: (done: P) => `Can ${done} is empty`,
  engineIsOn: 'Engine is on',
  thenTheNextCan: 'Then the next can.',
  thenProveIt: 'Then prove it.',
  canIs: 'can is',
  cansAre: 'cans are',
  inProveIt: (count: P, p2: P) => `${count} ${p2} in. Prove it.`,
  nothingWasWeighedTheReadings:
    'Nothing was weighed: the readings of the proof say more here than where a scale spoke.',
  goOnToTheProof: 'Go on to the proof',
  recoverItBeginAgain: 'Recover it, begin again',
  tooMuchByTheCount: 'too much by the count',
  bothSidesAndTheVent: 'Both sides and the vent, after five to ten minutes.',
})
