import { spoken } from '../spoken'

export const W = spoken({
  thisIsNotHere: 'This is not here.',
  theCarMayBelongTo: 'The car may belong to another shop, or the address was mistyped.',
  toTheBoard: 'To the board',
})
