import { spoken } from '../spoken'

export const W = spoken({
  under1: 'under 1 %',
  over99: 'over 99 %',
})
