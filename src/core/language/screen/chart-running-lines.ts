import { type P, spoken } from '../spoken'

export const W = spoken({
  highSide: 'high side',
  lowSide: 'low side',
  ventC: (value: P) => `vent ${value} °C`,
})
