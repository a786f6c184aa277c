import type { RENEWED } from '../job/events'
import { oilOwed } from '../shop/oil'
import { RENEWED_WORDS } from '../words/renewed'
import { count, oil } from './fields'
import { even } from './picture'
import { figure, type Sum } from './sum'

const PARTS = ['condenser', 'evaporator', 'drier', 'hose'] as const satisfies readonly (typeof RENEWED)[number][]

export const OIL_SUM: Sum = {
  id: 'oil',
  name: 'Oil',
  question: 'How much oil goes back in for the parts that were renewed?',
  asks: [
    ...PARTS.map((key) =>
      count({ key, label: `${RENEWED_WORDS[key]}, how many`, like: key === 'condenser' ? '1' : '0' }),
    ),
    oil({ key: 'drained', label: 'Drained out of the old compressor', like: '0 mL' }),
    oil({ key: 'seen', label: 'Seen lost with the leak', like: '0 mL' }),
  ],
  formula: 'each part’s share, what was drained of the compressor, and what was seen lost; evacuating takes none',
  source:
    'figures of the trade for passenger cars (condenser 30, evaporator 30 to 50, drier 15 to 30, hose 10 to 15 mL); the maker’s table comes first',
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
      ...(drained > 0 ? [{ name: 'compressor, drained', fromMl: drained, toMl: drained }] : []),
      ...(seen > 0 ? [{ name: 'seen lost', fromMl: seen, toMl: seen }] : []),
    ].map(({ name, fromMl, toMl }) => {
      const row = { name, from: at, to: at + (fromMl + toMl) / 2, text: span(fromMl, toMl) }
      at = row.to
      return row
    })
    const top = Math.max(100, 1.3 * to)
    return {
      main: to === 0 ? 'none' : span(from, to),
      line: `Oil for ${rows.map((r) => r.name).join(', ') || 'nothing renewed'}: ${to === 0 ? 'none' : span(from, to)}; the maker’s table comes first.`,
      facts: [
        ...rows.map((r) => ({ name: r.name, text: r.text })),
        { name: 'Hybrid and electric', text: 'only the maker’s non-conducting oil, by trained staff' },
      ],
      picture: {
        kind: 'bars',
        axis: { from: 0, to: top, name: 'mL', ticks: even(0, top, top > 300 ? 100 : 50, (v) => say.oil(v)) },
        rows: rows.length > 0 ? rows : [{ name: 'nothing renewed', from: 0, to: 0, text: '' }],
        ...(to > 0 && { target: { at: (from + to) / 2, low: from, high: to, text: 'goes back in' } }),
        handles: [{ field: 'drained', name: 'drained', at: drained }],
      },
    }
  },
}
