import { spoken } from '../spoken'

export const W = spoken({
  targetReached: 'target reached',
  holdDecided: 'hold decided',
  pressureRunningAway: 'pressure running away',
  gaugeSilent: 'gauge silent',
  scaleSilent: 'scale silent',
  timeToComeBack: 'time to come back',
  aReadingIsDue: 'a reading is due',
  aSideOutOfIts: 'a side out of its limits',
  weightPastItsStop: 'weight past its stop',
  itEndsAtAnotherTime: 'it ends at another time',
})
