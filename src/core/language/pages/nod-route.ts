import { spoken } from '../spoken'

export const W = spoken({
  nameAndPasswordDoNot: 'Name and password do not belong together.',
})
