import { spoken } from '../spoken'

export const W = spoken({
  print: 'Print',
})
