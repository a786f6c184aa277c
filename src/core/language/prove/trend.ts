import { type P, spoken } from '../spoken'

export const W = spoken({
  aMinute: (difference: P) => `${difference} a minute`,
  theVentStillFallsRead: (rate: P) => `The vent still falls, ${rate}: read it when it has settled.`,
  theVentRisesItWas: (rate: P, celsius: P) => `The vent rises, ${rate}: it was ${celsius} at its coldest.`,
  theVentIsSteady: 'The vent is steady.',
  theCompressorGoesOnAnd: (periodS: P, pressureText: P, pressure: P) =>
    `The compressor goes on and off every ${periodS} s, the low side between ${pressureText} and ${pressure}.`,
})
