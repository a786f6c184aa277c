import { spoken } from '../spoken'

export const W = spoken({
  thisCar: 'this car',
})
