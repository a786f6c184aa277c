import { type CarLoss, lossOfSpan, nextShortOf, rateOf } from '../book/car-loss'
import { W } from '../language/sums/leak'
import { DAY_MS } from '../units/constants'
import { day, mass } from './fields'
import { even } from './picture'
import { figure, type Sum } from './sum'

const iso = (days: number): string => new Date(days * DAY_MS).toISOString()
const written = (ms: number): string => new Date(ms).toISOString().slice(0, 10)

export const LEAK_SUM: Sum = {
  id: 'leak',
  name: W.loss,
  question: W.howFastDoesItLose,
  asks: [
    mass({ key: 'charged', label: W.charged, like: '540 g', least: 10 }),
    day({ key: 'from', label: W.chargedOn, like: '2025-06-10' }),
    mass({ key: 'recovered', label: W.recovered, like: '460 g' }),
    day({ key: 'to', label: W.recoveredOn, like: '2026-06-10' }),
    mass({ key: 'least', label: W.theLeastItWorksWith, like: '510 g', least: 10 }),
  ],
  formula: W.gramsAYearChargedRecovered,
  source: W.aChargeByAScale,
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
    const main = rate ? W.aYear(say.mass(rate.value)) : W.noSpanToTellIt
    const within = rate ? W.to(say.massText(rate.low), say.mass(rate.high)) : ''
    const shortBy = next?.p50Ms ? written(next.p50Ms) : null
    const [start, end] = [Math.min(from, to - 1), Math.max(to + 365, shortBy ? (next?.p50Ms ?? 0) / DAY_MS : to + 365)]
    const top = 1.15 * Math.max(chargedG, recoveredG)
    return {
      main,
      line: W.onOnItLoses(
        say.mass(chargedG),
        iso(from).slice(0, 10),
        say.mass(recoveredG),
        iso(to).slice(0, 10),
        main,
        within,
        shortBy ? W.chargedAgainItIsShort(shortBy) : '',
      ),
      facts: [
        { name: W.itLoses, text: main },
        {
          name: W.n95Of100LieBetween,
          text: rate ? `${say.mass(rate.low)} and ${say.mass(rate.high)}` : W.fourteenDaysAtLeastHave,
        },
        { name: W.chargedAgainShortBy, text: shortBy ?? W.notWithinTwentyYearsOr },
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
          name: W.inTheCar,
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
                  name: W.chargedAgain,
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
        rules: [{ y: leastG, text: W.theLeast }],
        handles: [
          { field: 'charged', name: 'charged', along: 'y', at: chargedG, other: from },
          { field: 'recovered', name: 'recovered', along: 'y', at: recoveredG, other: to },
        ],
      },
    }
  },
}
