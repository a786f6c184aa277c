import { spoken } from '../spoken'

export const W = spoken({
  lowSide: 'Low side',
  highSide: 'High side',
  middleVent: 'Middle vent',
})
