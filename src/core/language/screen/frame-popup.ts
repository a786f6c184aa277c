import { spoken } from '../spoken'

export const W = spoken({
  close: 'Close',
})
