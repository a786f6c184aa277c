import { spoken } from '../spoken'

export const W = spoken({
  sums: 'Sums',
  checkARecord: 'Check a record',
  signIn: 'Sign in',
  openToAnybody: 'Open to anybody',
})
