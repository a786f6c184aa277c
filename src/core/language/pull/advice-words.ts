import { type P, spoken } from '../spoken'

export const W = spoken({
  min: (p1: P) => `${p1} min`,
  thePumpsOilIsWet: 'The pump’s oil is wet.',
  ofWaterWentInto: (mass: P, reaches: P, target: P) =>
    `${mass} of water went into it from this car. By what was read it goes no deeper than about ${reaches} now; ` +
    `the target is ${target}.`,
  about: (mass: P) => `About ${mass}`,
  between: (low: P, high: P) => `${low} to ${high}`,
  keepTheBallastOpenWhile: 'Keep the ballast open while water comes',
  theBallastOpenTenMinutes: 'The ballast open ten minutes keeps more water out of it',
  changeItsOilBehindThe: (vacuum: P, p2: P) =>
    `Change its oil behind the shut valve at the pump, warm: then it reaches about ${vacuum} again, if it is as ` +
    `its plate says. ${p2}; what has gathered stays until the oil is changed.`,
  byTheFlowBalancePa: (toExponential: P) =>
    `; by the flow balance ${toExponential} Pa m³/s or a few times that still come in`,
  onCourse: 'On course.',
  liesWhereThisRigAnd: (vacuum: P) => `${vacuum} lies where this rig and this story were predicted.`,
  thisRigDoesNotReach: (vacuum: P) =>
    `This rig does not reach ${vacuum} in the time planned: larger hoses, cores out, or a longer pull.`,
  isolateIt: 'Isolate it.',
  thatMakesAboutByNow: (roughMass: P, roughMass2: P) =>
    ` That makes about ${roughMass} by now, more than the ${roughMass2} such a story has at most: wetter than ` +
    `told, or air comes in as well.`,
  theMiddleOfWhatThe: (roughMass: P, minutes: P) =>
    ` The middle of what the story suggests, ${roughMass}, takes ${minutes} at this rate.`,
  theBallastIsOpenAs: 'The ballast is open, as it should be while it is wet',
  openTheBallastALittle: 'Open the ballast a little while it is wet',
  waterIsBoilingOffAt: 'Water is boiling off at the coldest place.',
  andAboutAnHourCome: (roughMass: P) => `, and about ${roughMass} an hour come off`,
  itHangsBetweenATenth: (vacuum: P, p2: P, left: P) =>
    `It hangs between a tenth of the boiling line and the line, ${vacuum}${p2}.${left}`,
  keepGoingGentleHeatOn: (ballast: P) =>
    `Keep going. ${ballast}; gentle heat on the coldest part speeds it, a closed valve and a hold do not.`,
  stuckSomethingLetsAirIn: 'Stuck: something lets air in.',
  itHasNotMovedFor: (minutes: P, comesIn: P) =>
    `It has not moved for ${minutes}${comesIn}. Water would sink slowly, this does not.`,
  snugTheCouplersAndHoses:
    'Snug the couplers and hoses one by one and watch; then isolate it: a hold tells the car from the rig.',
  stuckThisRigGoesNo: 'Stuck: this rig goes no deeper.',
  isAboutWhatTheseHoses: (vacuum: P, vacuum2: P) =>
    `${vacuum} is about what these hoses let the far side reach even dry and tight; the target is ${vacuum2}.`,
  coresOutLargerOrShorter: 'Cores out, larger or shorter hoses, no manifold; or take a target this rig can reach.',
  stuckPerhapsThePump: 'Stuck: perhaps the pump.',
  aPumpWithWetOr: (vacuum: P) => `A pump with wet or old oil stays above its own ${vacuum}.`,
  blankItOffCloseThe:
    'Blank it off: close the valves at the pump and read a gauge there. Above twice its ultimate it needs oil, ' +
    'not time.',
  theOpenBallastHoldsIt: 'The open ballast holds it up.',
  aPumpWithItsBallast: (vacuum: P, vacuum2: P) =>
    `A pump with its ballast open goes no deeper than about ${vacuum}; the target is ${vacuum2}.`,
  closeTheBallastOnceMost: 'Close the ballast once most of the water is off.',
  leaveItAboutMore: (minutes: P) => `Leave it about ${minutes} more.`,
})
