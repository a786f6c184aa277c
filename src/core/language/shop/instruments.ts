import { type P, spoken } from '../spoken'

export const W = spoken({
  theNameOnItsTape: 'the name on its tape or lid',
  moreThanNothing: 'more than nothing',
  notAUnitOfThis: 'not a unit of this kind',
  theUpperEndMustLie: 'the upper end must lie above the lower',
  comesFromNoItWas: (channel: P, kindwords: P) => `${channel} comes from no ${kindwords}: it was registered as one`,
  sentInRegisteredInSet: (unit: P, unit2: P) => `sent in ${unit}, registered in ${unit2}: set one of the two right`,
  liesOutsideItsRangeTo: (value: P, unit: P, rangeLow: P, rangeHigh: P, unit2: P) =>
    `${value} ${unit} lies outside its range, ${rangeLow} to ${rangeHigh} ${unit2}`,
  vacuumGauge: 'vacuum gauge',
  lowSideTransducer: 'low side transducer',
  highSideTransducer: 'high side transducer',
  atTheFarEnd: 'at the far end',
  atThePump: 'at the pump',
  scale2: 'scale',
  thermometer: 'thermometer',
  barometer: 'barometer',
})
