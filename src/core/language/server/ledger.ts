import { type P, spoken } from '../spoken'

export const W = spoken({
  theBookHasGOf: (left: P, refrigerant: P, container: P) =>
    `the book has ${left} g of ${refrigerant} in the ${container}: weigh it first, and book the difference with ` +
    `its reason`,
  thisEntryIsBookedAlready: 'This entry is booked already with another content: a change is a correction of its own.',
  isA: (p1: P, kind: P) => `${p1} is a ${kind}`,
  nothingOfTheShelfHas: 'nothing of the shelf has this id',
  pickAContainer: (p1: P) => `${p1}: pick a container`,
  forTheSniffer: 'for the sniffer',
  aPartCharge: (p1: P) => `a part charge, ${p1}`,
  countedNotWeighed: 'counted, not weighed',
  wholeCan: (p1: P) => `whole can, ${p1}`,
  moreWasWeighedOutThan:
    'more was weighed out than the book had: not booked when it was bought, or weighed wrong before',
  holdsNeverMix: (name: P, held: P) => `${name} holds ${held}: never mix`,
})
