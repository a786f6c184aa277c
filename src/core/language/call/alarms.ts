import { type P, spoken } from '../spoken'

export const W = spoken({
  itWasLeftUntilNow: 'It was left until now: look at it.',
  highSideOverItsLimit: 'High side over its limit: close it, engine off.',
  lowSideInAVacuum: 'Low side in a vacuum: close it and look.',
  theWeightIsPastIts: 'The weight is past its stop and the valve is open: close it.',
  targetReached2: (vacuum: P) => `Target reached: ${vacuum}.`,
  thePullsMinutesAreOver: 'The pull’s minutes are over: isolate it.',
  thePullsTimeIsUp: 'The pull’s time is up, and it is not at its target.',
  itRisesWithThePump: 'It rises with the pump on: something has opened.',
  theHoldsTimeIsUp: 'The hold’s time is up: judge it.',
  theHoldFoundWaterFor: 'The hold found water for certain; a leak stays open.',
  theHoldIsDecided: (finding: P) => `The hold is decided: ${finding}.`,
  itIsRunningAwayA: 'It is running away: a valve, a hose or a large hole.',
  theScaleSaysNothingWhile:
    'The scale says nothing while it flows: shut the valve, look at it, and type what it shows.',
  theGaugeHasSaidNothing: (ageS: P) =>
    `The gauge has said nothing for ${ageS} min: battery, lead or range? Type readings meanwhile.`,
})
