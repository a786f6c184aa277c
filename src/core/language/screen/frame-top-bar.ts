import { spoken } from '../spoken'

export const W = spoken({
  board: 'Board',
  newCar: 'New car',
  shop: 'Shop',
  places: 'Places',
  airHere: 'air here ',
  inhg: ' inHg',
  hall: 'hall',
})
