import { type P, spoken } from '../spoken'

export const W = spoken({
  aYear: (yearly: P, massUnit: P) => `${yearly} ${massUnit} a year`,
  aMinute: (p1: P, massUnit: P) => `${p1} ${massUnit} a minute`,
  inhg: (figures: P) => `${figures} inHg`,
  inhgAnHour: (paS: P) => `${paS} inHg an hour`,
  micronAMinute: (perMinute: P) => `${perMinute} micron a minute`,
  and: (text: P, together: P) => `${text} and ${together}`,
})
