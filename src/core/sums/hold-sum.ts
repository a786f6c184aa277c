import { leakGramsPerYear } from '../hold/leak-rate'
import { limitOfRule } from '../hold/proves'
import { W } from '../language/sums/hold'
import { air, type Choice, gramsAYear, litres, minutes, rise, short, vacuum } from './fields'
import { drawn, tens } from './picture'
import { FLUID, fluidOf } from './refrigerant-sum'
import { figure, type Given, type Sum } from './sum'

const GAUGE: Choice = {
  key: 'gauge',
  label: W.gauge,
  like: 'electronic',
  options: [
    { value: 'electronic', label: W.electronic },
    { value: 'needle', label: W.needle },
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

const long = (min: number): string => (min >= 120 ? `${short(min / 60, 2)} h` : W.min(short(min, 2)))

export const HOLD_SUM: Sum = {
  id: 'hold',
  name: W.hold,
  question: W.howLongMustItHold,
  asks: [
    gramsAYear({ key: 'leak', label: W.theLeakThatIsTo, like: '50 g a year' }),
    minutes({ key: 'held', label: W.aHoldOf, like: '30 min', least: LEAST_MIN, most: MOST_MIN }),
    rise({ key: 'rise', label: W.itRisesBy, like: '1 micron a minute' }),
    litres({ key: 'volume', label: W.volumeShutIn, like: '2.5 L' }),
    vacuum({ key: 'depth', label: W.fromAVacuumOf, like: '500 micron', most: 5000 }),
    GAUGE,
    FLUID,
    air(),
  ],
  formula: W.gramsAYearVRise,
  source: W.modelOfASingleHole,
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
    const gauge = given.c.gauge === 'needle' ? W.aNeedle : W.anElectronicGauge
    const needs = needed === null ? W.moreThanTwoDays : long(needed)
    return {
      main: W.hold2(needs),
      line: W.line(
        short(leak),
        short(volume),
        gauge,
        needs,
        long(held),
        short(proves, 2),
        given.c.rise ?? '',
        short(means.low, 2),
        short(means.high, 2),
      ),
      facts: [
        { name: W.toSeeGAYear(short(leak)), text: W.holdOn(needs, gauge) },
        { name: W.aHoldOf2(long(held)), text: W.showsGAYearAnd(short(proves, 2)) },
        {
          name: given.c.rise ?? '',
          text: W.toGAYearIf(short(means.low, 2), short(means.high, 2)),
        },
        { name: W.noHoldShows, text: W.aCoreUnderItsCoupler },
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
          name: W.gAYear,
          ticks: tens(LEAST_G, MOST_G, (v) => `${v.toLocaleString('en')} g`),
        },
        lines: [
          {
            name: W.theLeastThatShows(gauge),
            points: drawn(LEAST_MIN, MOST_MIN, 60, (m) => limit(given, m), true),
          },
        ],
        rules: [{ y: Math.max(LEAST_G, means.high), text: W.thatRiseWorstCase }],
        handles: [
          { field: 'held', name: 'hold', along: 'x', at: held, other: proves },
          { field: 'leak', name: W.leakToBeSeen, along: 'y', at: leak, other: needed ?? MOST_MIN },
        ],
      },
    }
  },
}
