import { leakGramsPerYear } from '../hold/leak-rate'
import { limitOfRule } from '../hold/proves'
import { air, type Choice, gramsAYear, litres, minutes, rise, short, vacuum } from './fields'
import { drawn, tens } from './picture'
import { FLUID, fluidOf } from './refrigerant-sum'
import { figure, type Given, type Sum } from './sum'

const GAUGE: Choice = {
  key: 'gauge',
  label: 'Gauge',
  like: 'electronic',
  options: [
    { value: 'electronic', label: 'electronic' },
    { value: 'needle', label: 'needle' },
  ],
}
/** Holds that are looked at, min: five minutes to two days. */
const [LEAST_MIN, MOST_MIN] = [5, 2880]
/** The span of leaks that is drawn, g a year. */
const [LEAST_G, MOST_G] = [1, 100_000]

function limit(given: Given, holdMinutes: number): number {
  const car = { volumeL: figure(given, 'volume'), refrigerant: fluidOf(given), barometerPa: figure(given, 'air') }
  const found = limitOfRule({ targetPa: figure(given, 'depth'), holdMinutes }, car)
  return given.c.gauge === 'needle' ? found.needle : found.electronic
}

/** The shortest hold that shows a leak, min; null where two days do not. */
function shortestMin(given: Given, grams: number): number | null {
  if (limit(given, MOST_MIN) > grams) return null
  let [low, high] = [LEAST_MIN, MOST_MIN]
  if (limit(given, low) <= grams) return low
  for (let i = 0; i < 40; i++) {
    const middle = Math.sqrt(low * high)
    if (limit(given, middle) <= grams) high = middle
    else low = middle
  }
  return high
}

const long = (min: number): string => (min >= 120 ? `${short(min / 60, 2)} h` : `${short(min, 2)} min`)

export const HOLD_SUM: Sum = {
  id: 'hold',
  name: 'Hold',
  question: 'How long must it hold to show a leak, and what does a rise mean?',
  asks: [
    gramsAYear({ key: 'leak', label: 'The leak that is to be seen', like: '50 g a year' }),
    minutes({ key: 'held', label: 'A hold of', like: '30 min', least: LEAST_MIN, most: MOST_MIN }),
    rise({ key: 'rise', label: 'It rises by', like: '1 micron a minute' }),
    litres({ key: 'volume', label: 'Volume shut in', like: '2.5 L' }),
    vacuum({ key: 'depth', label: 'From a vacuum of', like: '500 micron', most: 5000 }),
    GAUGE,
    FLUID,
    air(),
  ],
  formula:
    'grams a year = V × rise × (p² − B²)/B² × η air/η refrigerant for a viscous hole (worst case), (p − B)/B × √(M air/M) for a molecular one; a rise is told from zero at 95 of 100',
  source:
    'model of a single hole under vacuum and under service pressure at 25 °C; gauge noise 1 %, gas that warms 1.5 K, half an inch of needle (assumed)',
  answer: (given) => {
    const [leak, held, risePaS, volume] = ['leak', 'held', 'rise', 'volume'].map((k) => figure(given, k)) as [
      number,
      number,
      number,
      number,
    ]
    const needed = shortestMin(given, leak)
    const proves = limit(given, held)
    const means = leakGramsPerYear(risePaS, volume, fluidOf(given), figure(given, 'air'))
    const gauge = given.c.gauge === 'needle' ? 'a needle' : 'an electronic gauge'
    const needs = needed === null ? 'more than two days' : long(needed)
    return {
      main: `hold ${needs}`,
      line: `To see ${short(leak)} g a year on ${short(volume)} L with ${gauge}: hold ${needs}. ${long(held)} show ${short(proves, 2)} g a year and more. ${given.c.rise} that does not die: ${short(means.low, 2)} to ${short(means.high, 2)} g a year.`,
      facts: [
        { name: `To see ${short(leak)} g a year`, text: `hold ${needs} on ${gauge}` },
        { name: `A hold of ${long(held)}`, text: `shows ${short(proves, 2)} g a year and more, worst case` },
        {
          name: given.c.rise ?? '',
          text: `${short(means.low, 2)} to ${short(means.high, 2)} g a year, if it does not die`,
        },
        { name: 'No hold shows', text: 'a core under its coupler, a seal that opens under pressure only' },
      ],
      picture: {
        kind: 'curve',
        x: {
          from: LEAST_MIN,
          to: MOST_MIN,
          log: true,
          name: 'hold',
          ticks: [10, 30, 60, 240, 1440].map((at) => ({ at, text: long(at) })),
        },
        y: {
          from: LEAST_G,
          to: MOST_G,
          log: true,
          name: 'g a year',
          ticks: tens(LEAST_G, MOST_G, (v) => `${v.toLocaleString('en')} g`),
        },
        lines: [
          {
            name: `the least that ${gauge} shows`,
            points: drawn(LEAST_MIN, MOST_MIN, 60, (m) => limit(given, m), true),
          },
        ],
        rules: [{ y: Math.max(LEAST_G, means.high), text: 'that rise, worst case' }],
        handles: [
          { field: 'held', name: 'hold', along: 'x', at: held, other: proves },
          { field: 'leak', name: 'leak to be seen', along: 'y', at: leak, other: needed ?? MOST_MIN },
        ],
      },
    }
  },
}
