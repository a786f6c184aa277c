import { spoken } from '../spoken'

export const W = spoken({
  thatIsNotYourPassword: 'That is not your password now.',
  isNotYourPasswordNow: 'is not your password now',
})
