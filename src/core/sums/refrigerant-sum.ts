import { restPressurePa, saturatedDensities } from '../fluids/refrigerant'
import { REFRIGERANTS, type Refrigerant } from '../fluids/refrigerants'
import { typicalBands } from '../prove/bands'
import { bothPressures } from '../units/say'
import { air, type Choice, celsius } from './fields'
import { drawn, even } from './picture'
import { figure, type Given, type Sum } from './sum'

export const FLUID: Choice = {
  key: 'fluid',
  label: 'Refrigerant',
  like: 'R-134a',
  options: REFRIGERANTS.map((r) => ({ value: r, label: r })),
}
export const fluidOf = ({ c }: Given): Refrigerant => REFRIGERANTS.find((r) => r === c.fluid) ?? 'R-134a'
const [COLD_C, WARM_C] = [-20, 58]

export const REFRIGERANT_SUM: Sum = {
  id: 'refrigerant',
  name: 'Pressures',
  question: 'What should the gauges show, at rest and running?',
  asks: [
    FLUID,
    celsius({ key: 'ambient', label: 'Air around the car', like: '24 C', least: COLD_C, most: WARM_C }),
    air(),
  ],
  formula:
    'at rest the saturation pressure less the air; running: condensing 15 to 30 K above the air around, evaporating −2 to 10 °C',
  source:
    'Tillner-Roth and Baehr (1994) for R-134a, a Wagner form for R-1234yf; running bands are assumed, the maker’s chart comes first',
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
      line: `${fluid} at ${say.celsius(ambient)}: at rest with liquid in it ${main}; running low ${span(bands.lowPaG)}, high ${span(bands.highPaG)}, vent ${say.celsius(bands.ventC[0])} to ${say.celsius(bands.ventC[1])} (typical, assumed).`,
      facts: [
        { name: 'At rest, liquid left', text: main },
        { name: 'Above it', text: 'air inside; below it, no liquid left' },
        { name: 'Running, low side', text: span(bands.lowPaG) },
        { name: 'Running, high side', text: span(bands.highPaG) },
        { name: 'Running, middle vent', text: `${say.celsius(bands.ventC[0])} to ${say.celsius(bands.ventC[1])}` },
        { name: 'Liquid', text: `${(liquidKgM3 / 1000).toFixed(2)} g per mL` },
      ],
      picture: {
        kind: 'curve',
        x: {
          from: COLD_C,
          to: WARM_C,
          name: 'air around the car',
          ticks: even(COLD_C, WARM_C, 20, (v) => say.celsius(v)),
        },
        y: { from: -50_000, to: 2_400_000, name: 'gauge', ticks: even(0, 2_400_000, 600_000, (v) => say.pressure(v)) },
        lines: [{ name: `${fluid} at rest`, points: drawn(COLD_C, WARM_C, 50, rest) }],
        band: {
          name: 'high side, running',
          low: drawn(COLD_C + 20, 45, 30, (c) => typicalBands(fluid, c, airPa).highPaG[0]),
          high: drawn(COLD_C + 20, 45, 30, (c) => typicalBands(fluid, c, airPa).highPaG[1]),
        },
        rules: [],
        handles: [{ field: 'ambient', name: 'air around the car', along: 'x', at: ambient, other: rest(ambient) }],
      },
    }
  },
}
