import { spoken } from '../spoken'

export const W = spoken({
  has17CharactersDigitsAnd: 'has 17 characters: digits and letters without I, O and Q',
})
