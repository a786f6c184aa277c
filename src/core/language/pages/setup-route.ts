import { spoken } from '../spoken'

export const W = spoken({
  aShopIsOpenHere: 'A shop is open here already: sign in.',
})
