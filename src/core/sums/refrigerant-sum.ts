import { restPressurePa, saturatedDensities } from '../fluids/refrigerant'
import { REFRIGERANTS, type Refrigerant } from '../fluids/refrigerants'
import { W } from '../language/sums/refrigerant'
import { typicalBands } from '../prove/bands'
import { bothPressures } from '../units/say'
import { air, type Choice, celsius } from './fields'
import { drawn, even } from './picture'
import { figure, type Given, type Sum } from './sum'

export const FLUID: Choice = {
  key: 'fluid',
  label: W.refrigerant,
  like: 'R-134a',
  options: REFRIGERANTS.map((r) => ({ value: r, label: r })),
}
export const fluidOf = ({ c }: Given): Refrigerant => REFRIGERANTS.find((r) => r === c.fluid) ?? 'R-134a'
const [COLD_C, WARM_C] = [-20, 58]

export const REFRIGERANT_SUM: Sum = {
  id: 'refrigerant',
  name: W.pressures,
  question: W.whatShouldTheGaugesShow,
  asks: [
    FLUID,
    celsius({ key: 'ambient', label: W.airAroundTheCar, like: '24 C', least: COLD_C, most: WARM_C }),
    air(),
  ],
  formula: W.atRestTheSaturationPressure,
  source: W.tillnerRothAndBaehr1994,
  answer: (given) => {
    const { say } = given
    const [fluid, ambient, airPa] = [fluidOf(given), figure(given, 'ambient'), figure(given, 'air')]
    const rest = (c: number) => restPressurePa(fluid, c) - airPa
    const bands = typicalBands(fluid, ambient, airPa)
    const { liquidKgM3 } = saturatedDensities(fluid, ambient)
    const main = bothPressures(rest(ambient), say)
    const span = ([low, high]: [number, number]) => `${say.pressureText(low)} to ${say.pressure(high)}`
    return {
      main,
      line: W.atAtRestWithLiquid(
        fluid,
        say.celsius(ambient),
        main,
        span(bands.lowPaG),
        span(bands.highPaG),
        say.celsius(bands.ventC[0]),
        say.celsius(bands.ventC[1]),
      ),
      facts: [
        { name: W.atRestLiquidLeft, text: main },
        { name: W.aboveIt, text: W.airInsideBelowItNo },
        { name: W.runningLowSide, text: span(bands.lowPaG) },
        { name: W.runningHighSide, text: span(bands.highPaG) },
        { name: W.runningMiddleVent, text: `${say.celsius(bands.ventC[0])} to ${say.celsius(bands.ventC[1])}` },
        { name: W.liquid, text: W.gPerMl((liquidKgM3 / 1000).toFixed(2)) },
      ],
      picture: {
        kind: 'curve',
        x: {
          from: COLD_C,
          to: WARM_C,
          name: W.airAroundTheCar2,
          ticks: even(COLD_C, WARM_C, 20, (v) => say.celsius(v)),
        },
        y: { from: -50_000, to: 2_400_000, name: 'gauge', ticks: even(0, 2_400_000, 600_000, (v) => say.pressure(v)) },
        lines: [{ name: W.atRest(fluid), points: drawn(COLD_C, WARM_C, 50, rest) }],
        band: {
          name: W.highSideRunning,
          low: drawn(COLD_C + 20, 45, 30, (c) => typicalBands(fluid, c, airPa).highPaG[0]),
          high: drawn(COLD_C + 20, 45, 30, (c) => typicalBands(fluid, c, airPa).highPaG[1]),
        },
        rules: [],
        handles: [{ field: 'ambient', name: W.airAroundTheCar2, along: 'x', at: ambient, other: rest(ambient) }],
      },
    }
  },
}
