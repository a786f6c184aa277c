import { type P, spoken } from '../spoken'

export const W = spoken({
  board: 'Board',
  newCar: 'New car',
  shop: 'Shop',
  places: 'Places',
  airHere: (pressure: P, inches: P) => `air here ${pressure}, ${inches} inHg`,
  hall: (celsius: P) => `hall ${celsius}`,
  altitude: (shop: P, metres: P) => `${shop} ${metres} m`,
})
