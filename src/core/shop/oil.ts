import type { RENEWED } from '../job/events'
import { W } from '../language/shop/oil'

type Part = (typeof RENEWED)[number]

/** Oil that leaves with a part, mL from and to (practice: the parts' table; a compressor is drained and measured). */
const OIL_ML: Partial<Record<Part, [from: number, to: number]>> = {
  condenser: [30, 30],
  evaporator: [30, 50],
  drier: [15, 30],
  hose: [10, 15],
}

/**
 * Oil owed for the parts renewed, mL; `measured` when a compressor is among them, whose own oil has to be drained and
 * measured.
 */
export function oilOwed(renewed: readonly { what: Part; count: number }[]): {
  fromMl: number
  toMl: number
  measured: boolean
} {
  let [fromMl, toMl] = [0, 0]
  for (const { what, count } of renewed) {
    const [from, to] = OIL_ML[what] ?? [0, 0]
    fromMl += from * count
    toMl += to * count
  }
  return { fromMl, toMl, measured: renewed.some((r) => r.what === 'compressor' && r.count > 0) }
}

/** What the parts' table says, in a line beside the field; never added without a reason. */
export function oilWords(renewed: readonly { what: Part; count: number }[]): string {
  const { fromMl, toMl, measured } = oilOwed(renewed)
  const range = fromMl === toMl ? `${fromMl}` : W.toWord(fromMl, toMl)
  const table = toMl > 0 ? W.byThePartsTableMl(range) : W.nothingByThePartsTable
  return measured ? W.theCompressorByWhatIs(table) : table
}
