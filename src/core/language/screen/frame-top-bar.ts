import { type P, spoken } from '../spoken'

export const W = spoken({
  board: 'Board',
  newCar: 'New car',
  shop: 'Shop',
  places: 'Places',
  airHere: 'air here ',
  hall: 'hall',
  inhg2: (p1: P) => ` ${p1} inHg`,
})
