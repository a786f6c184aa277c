import { type P, spoken } from '../spoken'

export const W = spoken({
  minutes: (minutes: P) => `${minutes} minutes`,
  hours: (s: P) => `${s} hours`,
  inhg: (byPa: P) => `${byPa} inHg`,
  rose: 'rose',
  fell: 'fell',
  itIn: (p1: P, by: P, spanWords: P) => `It ${p1} ${by} in ${spanWords}`,
  inhgAnHour: (num: P) => `${num} inHg an hour`,
  itLostAbout: (aYearPlain: P) => `It lost about ${aYearPlain}`,
  fallingAsUnderAPump: 'falling as under a pump until then, and not after: it was isolated later than the record says',
  theClosingValveSOwn: (moved: P, way: P) => `the closing valve's own gas: ${moved} ${way} at once; left out`,
  aJumpOfAsFrom: (moved: P, way: P) =>
    `a jump of ${moved} ${way}, as from a valve that was turned or a hose that was knocked`,
  overTheGaugeSRange: (vacuum: P) => `over the gauge's range, ${vacuum}`,
  noReadingsForMinutes: (num: P) => `no readings for ${num} minutes`,
  theReadingsFollowNoShape: 'the readings follow no shape a hold has: was the pump still on, or a valve turned?',
  whichIsNoMoreThan: (moved: P) => `${moved}, which is no more than the gauge, the gas and the hoses do by themselves.`,
  bendingTowardALevelWater: (moved: P) => `${moved}, bending toward a level: water, not a hole.`,
  asStraightAsARuler: (moved: P, stays: P) => `${moved}, as straight as a ruler: about ${stays} that does not die.`,
  itBendsAtFirstAnd: (moved: P, stays: P) => `${moved}: it bends at first, and about ${stays} stays.`,
  andItBendsWaterWhether: (moved: P) => `${moved}, and it bends: water. Whether a leak is beside it stays open.`,
  moreThanOneShapeStill: (moved: P) => `${moved}. More than one shape still fits.`,
  foundAfterWhatWasRead: (spanWords: P, p2: P) =>
    `Found after ${spanWords}; what was read since (a leak beside it: ${p2} %) is too little to withdraw it.`,
  leakFoundAfter: (spanWords: P, p2: P) =>
    `Found after ${spanWords}; what was read since (a leak: ${p2} %) is too little to withdraw it.`,
  theNeedleDidNotMove: (spanWords: P, aYear: P) =>
    `The needle did not move in ${spanWords}: no leak larger than about ${aYear}, worst case. Smaller ones it ` +
    `cannot see.`,
  tooFewReadingsYetThe: 'Too few readings yet: the first minutes show gas settling, not the car.',
  thisHoldHasNotSaid: (lost: P) => `${lost}; this hold has not said yet whether it still does.`,
  andThisHoldWouldHave: (lost: P) =>
    `${lost}, and this hold would have shown it. What is left to suspect: a valve core under its coupler, seals ` +
    `that hold against a vacuum and leak under pressure, or what was mended.`,
  lessThanThisHoldCan: (lost: P) => `${lost}, less than this hold can show.`,
  mendedSinceByThisHold: (lost: P) => `${lost}; mended since, by this hold.`,
  andTheHoleFoundHere: (lost: P, massText: P, massText2: P) =>
    `${lost}, and the hole found here would lose between ${massText} and ${massText2}.`,
  moreThanTheHoleFound: (lost: P) =>
    `${lost}, more than the hole found here explains: there is another, or it leaks under pressure only.`,
  lessThanTheHoleFound: (lost: P) =>
    `${lost}, less than the hole found here would lose: it is new, or it is in the hoses.`,
  theBarometerReadAtBoth: ', the barometer read at both ends,',
  aNightOfTheSame: (barometer: P, byNight: P) =>
    `a night of the same needle${barometer} would show one of about ${byNight}; `,
  theBarometerReadAtBothEnds: 'the barometer read at both ends takes the weather out; ',
  whatWouldTellMoreAn: (night: P) =>
    `What would tell more: ${night}an electronic gauge sees far less in ten minutes; a charge with dye shows it ` +
    `on the road.`,
  noted: (problemWords: P) => `Noted: ${problemWords}.`,
  theRecordCannotBearA: (clock: P, clock2: P, problemWords: P) =>
    `The record cannot bear a judgement from ${clock} to ${clock2}: ${problemWords}.`,
})
