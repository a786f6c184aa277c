import { type P, spoken } from '../spoken'

export const W = spoken({
  now: (clock: P) => `now ${clock}`,
  plusAndMinusZoomArrows: (sentence: P) => `${sentence} Plus and minus zoom, arrows move.`,
  aboveTheGaugesRangeStill: 'Above the gauge’s range still, or nothing read.',
  nothingPulledYet: 'Nothing pulled yet.',
  predicted8In10: 'predicted, 8 in 10',
  noVacuumReadingYetThe: (paText: P, vacuum: P) =>
    `No vacuum reading yet. The air here is ${paText}, the target ${vacuum}.`,
  theNeedleAtNoNeedle: (clock: P, vacuumLine: P, vacuum: P, vacuum2: P) =>
    `The needle at ${clock}: ${vacuumLine}. No needle shows the target of ${vacuum}; water boils below ${vacuum2}.`,
  atTheTargetOfWater: (vacuum: P, clock: P, place: P, vacuum2: P, vacuum3: P) =>
    `${vacuum} at ${clock}, ${place} the target of ${vacuum2}; water boils below ${vacuum3}.`,
  airHere: 'Air here',
  needleSeesTo: 'Needle sees to',
  waterBoils: (celsius: P) => `Water boils, ${celsius}`,
  target: 'Target',
  pumpFloor: 'Pump floor',
  target2: (vacuumText: P) => `target ${vacuumText}`,
  waterBoilsBelow: 'water boils below',
  min: (s: P) => `${s} min`,
  prediction: 'Prediction',
  predictedToTheTarget: 'Predicted to the target',
  notWithinThisProceduresTime: 'not within this procedure’s time',
  about: (minutes: P) => `about ${minutes}`,
  longerThanShown: 'longer than shown',
  n8In10BetweenAnd: (minutes: P, p2: P) => `, 8 in 10 between ${minutes} and ${p2}`,
  fromThisRigAndThe: 'from this rig and the story of the job, assumed',
  itGoesTo: 'It goes to',
  whatWouldSave: 'What would save',
  whatWouldHelpNow: 'What would help now',
  costs: 'costs',
  saves: 'saves',
  getsItThere: (ofTen: P) => `gets it there, ${ofTen} of 10`,
  nothingThatMattersHere: 'nothing that matters here',
  whereThePullStands: 'Where the pull stands',
  whereItStands: 'Where it stands',
  fromThePredictionTheBoiling:
    'From the prediction, the boiling line and this rig’s own floor; chances assumed before the first reading.',
  predictingThisPull2: (p1: P) => `Predicting this pull: ${p1} %`,
  theGaugeSitsAt: (times: P, far: P, span: P) =>
    `The gauge sits at the pump and reads ahead of the car ${times} times: at the far side about ${far}, ` +
    `8 in 10 between ${span}.`,
})
