import { spoken } from '../spoken'

export const W = spoken({
  from50Micron: 'from 50 micron',
  upTo20000Micron: 'up to 20,000 micron',
  fromAMinute: 'from a minute',
  upToADay: 'up to a day',
  from5Minutes: 'from 5 minutes',
  fromAGramAYear: 'from a gram a year',
  onceAtLeast: 'once at least',
  nineTimesAtMost: 'nine times at most',
  from5KpaAboveThe: 'from 5 kPa above the air',
  aboveWhatAnyLabelOf: 'above what any label of a vehicle allows: the label’s limit leads',
  upToAnHour: 'up to an hour',
  atOnePointAtLeast: 'at one point at least',
  twoPullsWithNothingBetween: 'two pulls with nothing between are one pull',
  nothingIsPulledOnA: 'nothing is pulled on a charge',
  theHosesAreHeldAlone: 'the hoses are held alone before they are on the car: first of all',
  aSweepStandsBetweenTwo: 'a sweep stands between two pulls',
  aHoldFollowsThePull: 'a hold follows the pull it holds',
  aChargeGoesIntoA: 'a charge goes into a vacuum: pull first',
  aChargeFollowsAHold: 'a charge follows a hold or a pull',
  aProofFollowsTheCharge: 'a proof follows the charge',
})
