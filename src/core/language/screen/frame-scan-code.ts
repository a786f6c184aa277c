import { spoken } from '../spoken'

export const W = spoken({
  theSameAsACode: 'The same as a code to be scanned',
})
