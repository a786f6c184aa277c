import { type P, spoken } from '../spoken'

export const W = spoken({
  byThePartsTableMl: (range: P) => `by the parts’ table ${range} mL`,
  nothingByThePartsTable: 'nothing by the parts’ table; only what was seen lost',
  theCompressorByWhatIs: (table: P) => `${table}; the compressor by what is drained from the old one`,
  toWord: (fromMl: P, toMl: P) => `${fromMl} to ${toMl}`,
})
