import { spoken } from '../spoken'

export const W = spoken({
  typeANumber: 'type a number',
})
