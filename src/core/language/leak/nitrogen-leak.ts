import { spoken } from '../spoken'

export const W = spoken({
  aPressureTestStandsAbove: 'a pressure test stands above the air',
})
