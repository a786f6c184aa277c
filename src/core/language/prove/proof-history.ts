import { type P, spoken } from '../spoken'

export const W = spoken({
  emptiedOfAnd: (mass: P) => `emptied of ${mass} and `,
  times: (p1: P) => ` ${p1} times`,
  aLeakOfOrMore: (aYear: P) => `: a leak of ${aYear} or more would have shown`,
  theAirConditioningWasEvacuated: (p1: P, emptied: P, times: P) =>
    `${p1}: the air conditioning was ${emptied}evacuated${times}.`,
  theVacuumHeldForMinutes: (heldS: P, shown: P) => `The vacuum held for ${heldS} minutes${shown}.`,
  theHoldWasJudged: (verdict: P) => `The hold was judged ${verdict}.`,
  theVacuumWasNotHeld: 'The vacuum was not held, so nothing is said about leaks.',
  countedInByWholeCans: 'counted in by whole cans, not weighed',
  weighedIn: 'weighed in',
  ofWereTheLabelAsks: (p1: P, mass: P, refrigerant: P, p4: P, typed: P) =>
    `${p1}${mass} of ${refrigerant} were ${p4}; the label asks for ${typed}.`,
  runningTheMiddleVentBlows: (celsius: P, celsius2: P, beforeWords: P) =>
    `Running, the middle vent blows ${celsius} at ${celsius2} outside${beforeWords}.`,
  aHoldUnderVacuumCannot: 'A hold under vacuum cannot show a leak that opens under pressure only.',
  whenItCameInIt: (celsius: P, celsius2: P) => `; when it came in it blew ${celsius} at ${celsius2}`,
  about: 'about ',
})
