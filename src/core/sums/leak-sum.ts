import { type CarLoss, lossOfSpan, nextShortOf, rateOf } from '../book/car-loss'
import { DAY_S } from '../units/constants'
import { day, mass } from './fields'
import { even } from './picture'
import { figure, type Sum } from './sum'

const DAY_MS = DAY_S * 1000
const iso = (days: number): string => new Date(days * DAY_MS).toISOString()
const written = (ms: number): string => new Date(ms).toISOString().slice(0, 10)

export const LEAK_SUM: Sum = {
  id: 'leak',
  name: 'Loss',
  question: 'How fast does it lose, and when is it short again?',
  asks: [
    mass({ key: 'charged', label: 'Charged', like: '540 g', least: 10 }),
    day({ key: 'from', label: 'Charged on', like: '2025-06-10' }),
    mass({ key: 'recovered', label: 'Recovered', like: '460 g' }),
    day({ key: 'to', label: 'Recovered on', like: '2026-06-10' }),
    mass({ key: 'least', label: 'The least it works with', like: '510 g', least: 10 }),
  ],
  formula:
    'grams a year = (charged − recovered) / days × 365.25; short again when what is charged anew falls below the least',
  source: 'a charge by a scale is taken to be 5 g off, a recovery 30 g (assumed)',
  answer: (given) => {
    const { say } = given
    const [chargedG, from, recoveredG, to, leastG] = ['charged', 'from', 'recovered', 'to', 'least'].map((k) =>
      figure(given, k),
    ) as [number, number, number, number, number]
    const loss: CarLoss | null = lossOfSpan(
      { grams: chargedG, plusMinusG: 5, at: iso(from) },
      { recoveredG, at: iso(to) },
      false,
    )
    const rate = loss && rateOf([loss])
    const next = nextShortOf({ grams: chargedG, at: iso(to) }, leastG, rate)
    const main = rate ? `${say.mass(rate.value)} a year` : 'no span to tell it from'
    const within = rate ? `, ${say.massText(rate.low)} to ${say.mass(rate.high)}` : ''
    const shortBy = next?.p50Ms ? written(next.p50Ms) : null
    const [start, end] = [Math.min(from, to - 1), Math.max(to + 365, shortBy ? (next?.p50Ms ?? 0) / DAY_MS : to + 365)]
    const top = 1.15 * Math.max(chargedG, recoveredG)
    return {
      main,
      line: `${say.mass(chargedG)} on ${iso(from).slice(0, 10)}, ${say.mass(recoveredG)} on ${iso(to).slice(0, 10)}: it loses ${main}${within}.${shortBy ? ` Charged again it is short by ${shortBy}.` : ''}`,
      facts: [
        { name: 'It loses', text: main },
        {
          name: '95 of 100 lie between',
          text: rate
            ? `${say.mass(rate.low)} and ${say.mass(rate.high)}`
            : 'fourteen days at least have to lie between',
        },
        { name: 'Charged again, short by', text: shortBy ?? 'not within twenty years, or not known' },
      ],
      picture: {
        kind: 'curve',
        x: {
          from: start,
          to: end,
          name: 'day',
          ticks: even(start, end, Math.max(30, Math.round((end - start) / 5)), (d) => written(d * DAY_MS).slice(0, 7)),
        },
        y: {
          from: 0,
          to: top,
          name: 'in the car',
          ticks: even(0, top, top > 1500 ? 500 : 200, (v) => say.massShort(v)),
        },
        lines: [
          {
            name: '',
            points: [
              [from, chargedG],
              [to, recoveredG],
            ],
          },
          ...(rate && rate.value > 0
            ? [
                {
                  name: 'charged again',
                  dashed: true,
                  points: [
                    [to, recoveredG],
                    [to, chargedG],
                    [end, Math.max(0, chargedG - (rate.value * (end - to)) / 365.25)],
                  ] as [number, number][],
                },
              ]
            : []),
        ],
        rules: [{ y: leastG, text: 'the least' }],
        handles: [
          { field: 'charged', name: 'charged', along: 'y', at: chargedG, other: from },
          { field: 'recovered', name: 'recovered', along: 'y', at: recoveredG, other: to },
        ],
      },
    }
  },
}
