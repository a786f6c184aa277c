import { type P, spoken } from '../spoken'

export const W = spoken({
  anHour: 'an hour',
  hours: (hours: P) => `${hours} hours`,
  staysBelowMicronFor: (n: P, p2: P) => `stays below ${n} micron for ${p2}`,
  needleUnmovedAfter30Minutes: 'needle unmoved after 30 minutes',
  n1MicronAMinute: '1 micron a minute',
  below200MicronAfter20: 'below 200 micron after 20 minutes',
  overnightNeedleUnmoved: 'overnight, needle unmoved',
})
