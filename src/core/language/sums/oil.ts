import { type P, spoken } from '../spoken'

export const W = spoken({
  oil: 'Oil',
  howMuchOilGoesBack: 'How much oil goes back in for the parts that were renewed?',
  howMany: (renewedwords: P) => `${renewedwords}, how many`,
  drainedOutOfTheOld: 'Drained out of the old compressor',
  seenLostWithTheLeak: 'Seen lost with the leak',
  eachPartsShareWhatWas:
    'each part’s share, what was drained of the compressor, and what was seen lost; evacuating takes none',
  figuresOfTheTradeFor:
    'figures of the trade for passenger cars (condenser 30, evaporator 30 to 50, drier 15 to 30, hose 10 to 15 ' +
    'mL); the maker’s table comes first',
  compressorDrained: 'compressor, drained',
  seenLost: 'seen lost',
  nothingRenewed: 'nothing renewed',
  none: 'none',
  oilForTheMakersTable: (rows: P, p2: P) => `Oil for ${rows}: ${p2}; the maker’s table comes first.`,
  hybridAndElectric: 'Hybrid and electric',
  onlyTheMakersNonConducting: 'only the maker’s non-conducting oil, by trained staff',
  goesBackIn: 'goes back in',
})
