import { type P, spoken } from '../spoken'

export const W = spoken({
  comeBackTo: (p1: P) => `Come back to ${p1}`,
  itsPullIsThoughtTo: 'Its pull is thought to end then.',
  itsHoldEndsThen: 'Its hold ends then.',
  isPromised: (p1: P) => `${p1} is promised`,
  readyByThen: 'Ready by then.',
  comes: (p1: P) => `${p1} comes`,
  toBeTakenIn: 'To be taken in.',
  liesMoreThanAYear: 'lies more than a year off',
  notBelowZero: 'not below zero',
  twoDaysOfMinutesAt: 'two days of minutes at most',
  isPromisedBeforeItComes: 'is promised before it comes',
  eitherSomebodyIsAwayOr: 'either somebody is away, or a rig or scale is',
  liesBeforeItBegins: 'lies before it begins',
  thisCar: 'this car',
  nobodyOfThisShopHas: 'Nobody of this shop has that account.',
  isNobodysHere: 'is nobody’s here',
  whoOrWhatIsAway: 'who or what is away',
  thisAccount: 'this account',
  theScale: 'the scale',
  plannedAnew: (what: P) => `Planned anew: ${what}`,
})
