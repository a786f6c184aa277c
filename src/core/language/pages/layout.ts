import { spoken } from '../spoken'

export const W = spoken({
  yperos: 'Yperos',
  vacuumHoldAndChargeOf: 'Vacuum, hold and charge of vehicle air conditioning',
})
