import { type P, spoken } from '../spoken'

export const W = spoken({
  typeATemperatureSuchAs: 'type a temperature such as 11 C or 52 F',
  isNotTheAirAround: (text: P) => `${text} is not the air around a car: check the figure and its unit`,
})
