import { spoken } from '../spoken'

export const W = spoken({
  signOut: 'Sign out',
  whatYouDidAndIs: 'What you did and is not sent yet stays on this device until you sign in again.',
})
