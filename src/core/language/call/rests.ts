import { type P, spoken } from '../spoken'

export const W = spoken({
  leftUnderVacuum: 'Left under vacuum.',
  itsTimeIsOverTake: 'Its time is over. Take it up.',
  leftUnderVacuumComeBack: 'Left under vacuum. Come back at',
  by: (why: P, by: P) => `${why}; by ${by}.`,
  theCouplersAreOffClosed: 'The couplers are off, closed before: the caps hold too.',
  theCouplersAreOnHoses: 'The couplers are on: hoses are in this hold.',
  nobodyStartsThisEngineThere: 'Nobody starts this engine: there is nothing in it that carries oil.',
  takeItUpAgain: 'Take it up again',
  board: 'Board',
  thenTheCouplersOnAgain: 'Then the couplers on again, closed, and read it.',
  thenReadIt: 'Then read it.',
  inH: (hours: P) => `in ${hours} h`,
  inDays: (hours: P) => `in ${hours} days`,
  everythingUpToHereIs: 'Everything up to here is kept. Signed, the record says what was done and what was not.',
  signItAsItIs: 'Sign it as it is',
  openItAgain: 'Open it again',
  whyIsItOpenedAgain: 'Why is it opened again?',
  leaveItClosed: 'Leave it closed',
  itStandsOnTheBoard: 'It stands on the board again, where it was left.',
})
