import type { RENEWED } from '../job/events'
import { W } from '../language/sums/oil'
import { oilOwed } from '../shop/oil'
import { RENEWED_WORDS } from '../words/renewed'
import { count, oil } from './fields'
import { even } from './picture'
import { figure, type Sum } from './sum'

const PARTS = ['condenser', 'evaporator', 'drier', 'hose'] as const satisfies readonly (typeof RENEWED)[number][]

export const OIL_SUM: Sum = {
  id: 'oil',
  name: W.oil,
  question: W.howMuchOilGoesBack,
  asks: [
    ...PARTS.map((key) => count({ key, label: W.howMany(RENEWED_WORDS[key]), like: key === 'condenser' ? '1' : '0' })),
    oil({ key: 'drained', label: W.drainedOutOfTheOld, like: '0 mL' }),
    oil({ key: 'seen', label: W.seenLostWithTheLeak, like: '0 mL' }),
  ],
  formula: W.eachPartsShareWhatWas,
  source: W.figuresOfTheTradeFor,
  answer: (given) => {
    const { say } = given
    const renewed = PARTS.map((what) => ({ what, count: figure(given, what) })).filter((p) => p.count > 0)
    const [drained, seen] = [figure(given, 'drained'), figure(given, 'seen')]
    const table = oilOwed(renewed)
    const [from, to] = [table.fromMl + drained + seen, table.toMl + drained + seen]
    const span = (a: number, b: number) => (a === b ? say.oil(a) : `${say.oil(a)} to ${say.oil(b)}`)
    let at = 0
    const rows = [
      ...renewed.map((p) => ({ name: RENEWED_WORDS[p.what].toLowerCase(), ...oilOwed([p]) })),
      ...(drained > 0 ? [{ name: W.compressorDrained, fromMl: drained, toMl: drained }] : []),
      ...(seen > 0 ? [{ name: W.seenLost, fromMl: seen, toMl: seen }] : []),
    ].map(({ name, fromMl, toMl }) => {
      const row = { name, from: at, to: at + (fromMl + toMl) / 2, text: span(fromMl, toMl) }
      at = row.to
      return row
    })
    const top = Math.max(100, 1.3 * to)
    return {
      main: to === 0 ? 'none' : span(from, to),
      line: W.oilForTheMakersTable(
        rows.map((r) => r.name).join(', ') || W.nothingRenewed,
        to === 0 ? W.none : span(from, to),
      ),
      facts: [
        ...rows.map((r) => ({ name: r.name, text: r.text })),
        { name: W.hybridAndElectric, text: W.onlyTheMakersNonConducting },
      ],
      picture: {
        kind: 'bars',
        axis: { from: 0, to: top, name: 'mL', ticks: even(0, top, top > 300 ? 100 : 50, (v) => say.oil(v)) },
        rows: rows.length > 0 ? rows : [{ name: W.nothingRenewed, from: 0, to: 0, text: '' }],
        ...(to > 0 && { target: { at: (from + to) / 2, low: from, high: to, text: W.goesBackIn } }),
        handles: [{ field: 'drained', name: 'drained', at: drained }],
      },
    }
  },
}
