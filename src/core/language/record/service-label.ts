import { type P, spoken } from '../spoken'

export const W = spoken({
  mlAdded: (oilOwedMl: P, oilReason: P) => `${oilOwedMl} mL added, ${oilReason}`,
  noneAdded: 'none added',
  car: 'Car',
  refrigerant: 'Refrigerant',
  charged: 'Charged',
  labelAsksFor: 'Label asks for',
  oil: 'Oil',
  highVoltage: 'High voltage',
  onlyTheMakersNonConducting: 'only the maker’s non-conducting oil',
  day: 'Day',
  by: 'By',
  certificate: 'Certificate',
  noneGiven: 'none given',
})
