import { type P, spoken } from '../spoken'

export const W = spoken({
  thisPieceOfEquipment: 'this piece of equipment',
  aHasNo: (kind: P, what: P) => `A ${kind} has no ${what}.`,
  notForA: (kind: P) => `not for a ${kind}`,
  thatMomentIsStillTo: 'That moment is still to come.',
  liesInTheFuture: 'lies in the future',
  aDemoPlaceHasPeople: 'a demo place has people before it has equipment',
  micron: (micron: P) => `${micron} micron`,
})
