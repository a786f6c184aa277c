import { spoken } from '../spoken'

export const W = spoken({
  inhgBelowTheAir: 'inHg below the air',
  lbAndOz: 'lb and oz',
  flOz: 'fl oz',
  n540Pm: '5:40 pm',
})
