import { spoken } from '../spoken'

export const W = spoken({
  from: 'From',
  to: 'To',
  showIt: 'Show it',
})
