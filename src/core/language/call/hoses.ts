import { type P, spoken } from '../spoken'

export const W = spoken({
  couplersClosedOnNothingYet: 'Couplers closed, on nothing yet: their ends seal.',
  holdTheHosesOnceMore: 'Hold the hoses once more.',
  firstTheHosesAlone: 'First the hoses alone.',
  theyRoseSealsRenewedFittings: 'They rose: seals renewed, fittings snugged?',
  aLeakingHoseInA:
    'A leaking hose in a hold looks like a leaking car. Centre hose to the pump, exhaust cap off, pump on, both ' +
    'valves open.',
  itPullsOnTheHoses: 'It pulls on the hoses',
  aMinuteOrTwoIs: 'A minute or two is enough: there is nothing in them.',
  shutThemIn: 'Shut them in.',
  bothValvesShutThenThe: 'Both valves shut, then the pump off: what the gauge does now, the hoses do.',
  shutPumpOff: 'Shut, pump off',
  thenMin: (minutes: P) => `Then ${minutes} min.`,
  didTheyRise: 'Did they rise?',
  leaveThemLookAgainAt: 'Leave them. Look again at',
  minTheHosesAlone: (minutes: P) => `${minutes} min, the hoses alone`,
  aNeedleThatMovesAt: 'A needle that moves at all is a hose that leaks.',
  aLittleRisesByThe: 'A little rises by the hoses’ own gas; what goes on straight is a leak.',
  theyStoodStill: 'They stood still',
  toTheBoard: 'To the board',
  theyRose: 'They rose',
  stillEnough: 'Still, enough',
  thenTheCouplersOnThe: 'Then the couplers on the car.',
})
