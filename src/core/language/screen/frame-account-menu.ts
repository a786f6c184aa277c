import { type P, spoken } from '../spoken'

export const W = spoken({
  menu: (initials: P, p2: P, role: P) => `${initials}: ${p2}, ${role}, menu`,
  dayOrNightColours: 'Day or night colours',
  yourPasswordAndUnits: 'Your password and units',
  signOut: 'Sign out',
})
