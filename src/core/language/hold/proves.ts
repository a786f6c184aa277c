import { type P, spoken } from '../spoken'

export const W = spoken({
  inAColdBayIce: '; in a cold bay ice may still be there',
  atMicronAtTheCar: (targetPa: P, dew: P, p3: P) =>
    `At ${targetPa} micron at the car the vapour left has a dew point of ${dew} °C at most${p3}.`,
  minutesOfPullingProveNothing: (pullMinutes: P) =>
    `${pullMinutes} minutes of pulling prove nothing by themselves: they are when to look again.`,
  minutesOfHoldOn2: (holdMinutes: P, rounded: P, rounded2: P) =>
    `${holdMinutes} minutes of hold on 2.5 L show a leak of about ${rounded} g a year with an electronic gauge, ` +
    `${rounded2} with a needle, worst case. Smaller ones pass.`,
  noHoldShowsACore: 'No hold shows a core under its coupler, nor a seal that opens under pressure only.',
})
