import { type P, spoken } from '../spoken'

export const W = spoken({
  of100: (p1: P) => `${p1} of 100`,
  orTapThePlaceOn: 'Or tap the place on the sketch, and say what is there.',
  endTheSearch: 'End the search',
  soapOn: (p1: P) => `Soap on: ${p1}.`,
  noBubbles: 'No bubbles',
  itBubbles: 'It bubbles',
})
