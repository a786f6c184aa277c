import { spoken } from '../spoken'

export const W = spoken({
  from50G: 'from 50 g',
  upTo50Kg: 'up to 50 kg',
  canOf340G: 'can of 340 g',
  canOf250G: 'can of 250 g',
})
