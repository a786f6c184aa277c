import { type P, spoken } from './spoken'

export const W = spoken({
  isItMustLieBetween: (quantity: P, value: P, unit: P, low: P, high: P, unit2: P) =>
    `${quantity} is ${value} ${unit}; it must lie between ${low} and ${high} ${unit2}`,
})
