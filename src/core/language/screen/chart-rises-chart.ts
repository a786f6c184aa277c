import { type P, spoken } from '../spoken'

export const W = spoken({
  min: (s: P) => `${s} min`,
  isolated: 'isolated',
})
