import { type P, spoken } from '../spoken'

export const W = spoken({
  theScaleWasSwitchedTo: (p1: P) => `the scale was switched to ${p1}: read as such from here on`,
  theScaleShowsGramsAgain: 'the scale shows grams again',
  theScaleWasBumpedThose: 'the scale was bumped: those readings are left out',
  theContainerWasLiftedOff: 'the container was lifted off: put it back as it stood',
  apartCountedOut: (words: P) => `, ${words} apart: counted out`,
  theContainerWasLiftedOffAnd: (p1: P) => `the container was lifted off and put back${p1}`,
  theScaleJumpedByAnd: (words: P) =>
    `the scale jumped by ${words} and stays: a hose leans or something lies on it; counted out`,
  withTheValveShutIt: (
    way: P,
    perMinute: P,
  ) => `with the valve shut it ${way} ${perMinute} g a minute: the scale drifts,
          or gas escapes before the valve`,
})
