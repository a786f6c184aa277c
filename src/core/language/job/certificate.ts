import { type P, spoken } from '../spoken'

export const W = spoken({
  noCertificateGiven: 'no certificate given',
  certificate: (certificate: P) => `certificate ${certificate}`,
})
