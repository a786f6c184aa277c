import { dewPointAtMostC, waterBoilingK, waterSaturationPa } from '../fluids/water'
import { PA_PER_MICRON } from '../units/constants'
import { kelvin, celsius as toCelsius } from '../units/temperature'
import { celsius, vacuum } from './fields'
import { drawn, even, tens } from './picture'
import { figure, type Sum } from './sum'

const micron = (pa: number): string => Number((pa / PA_PER_MICRON).toPrecision(3)).toLocaleString('en')
const [COLD_C, WARM_C] = [-40, 60]

export const BOILING_SUM: Sum = {
  id: 'boiling',
  name: 'Boiling',
  question: 'When does water boil in there, and how dry is what is left?',
  asks: [
    vacuum({ key: 'vacuum', label: 'Vacuum at the car', like: '500 micron', least: 12 * PA_PER_MICRON, most: 19_000 }),
    celsius({ key: 'cold', label: 'Coldest part of the car', like: '15 C', least: COLD_C, most: WARM_C }),
  ],
  formula: 'ln p = 54.84 − 6763/T − 4.21 ln T + …, over ice below 0 °C; backwards by finding its root',
  source: 'Murphy and Koop, Q. J. R. Meteorol. Soc. 131, 1539 (2005)',
  answer: (given) => {
    const { say } = given
    const [pa, cold] = [figure(given, 'vacuum'), figure(given, 'cold')]
    const boilsC = toCelsius(waterBoilingK(pa))
    const belowPa = waterSaturationPa(kelvin(cold))
    const dew = dewPointAtMostC(pa)
    const boils = pa < belowPa
    const main = boils ? 'it boils' : 'it does not boil'
    return {
      main,
      line: `At ${say.vacuum(pa)} water boils from ${say.celsius(boilsC)}; at ${say.celsius(cold)} below ${micron(belowPa)} micron: ${main}. Dew point of what is left: ${say.celsius(dew)} at most.`,
      facts: [
        {
          name: `At ${say.vacuum(pa)}`,
          text: `water boils from ${say.celsius(boilsC, 1)}${boilsC < 0 ? ': ice, which sublimes slowly' : ''}`,
        },
        { name: `At ${say.celsius(cold)}`, text: `below ${micron(belowPa)} micron` },
        { name: 'Dew point', text: `${say.celsius(dew)} at most: less where other gas is in it` },
      ],
      picture: {
        kind: 'curve',
        x: { from: COLD_C, to: WARM_C, name: 'coldest part', ticks: even(COLD_C, WARM_C, 20, (v) => say.celsius(v)) },
        y: {
          from: 20_000,
          to: 12 * PA_PER_MICRON,
          log: true,
          name: 'micron',
          ticks: tens(12 * PA_PER_MICRON, 20_000, micron, PA_PER_MICRON),
        },
        lines: [
          {
            name: 'water boils below this line',
            points: drawn(COLD_C, WARM_C, 60, (c) => waterSaturationPa(kelvin(c))),
          },
        ],
        rules: [],
        handles: [
          { field: 'cold', name: 'coldest part', along: 'x', at: cold, other: pa },
          { field: 'vacuum', name: 'vacuum', along: 'y', at: pa, other: cold },
        ],
      },
    }
  },
}
