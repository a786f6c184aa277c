import { spoken } from '../spoken'

export const W = spoken({
  theUpperEndMustNot: 'the upper end must not be below the lower end',
  from50Micron: 'from 50 micron',
  upTo20000Micron: 'up to 20,000 micron',
  fromAMinute: 'from a minute',
  upToADay: 'up to a day',
  from5Minutes: 'from 5 minutes',
  aContainerNeedsItsNet: 'a container needs its net weight, or its tare when partly used',
  theGrossWeightMustBe: 'the gross weight must be more than the empty weight',
  wholeCansOnly: 'whole cans only',
})
