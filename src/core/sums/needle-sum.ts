import { waterBoilingK, waterSaturationPa } from '../fluids/water'
import { PA_PER_INHG, PA_PER_MICRON } from '../units/constants'
import { needleReading } from '../units/pressure'
import { kelvin, celsius as toCelsius } from '../units/temperature'
import { air, celsius, needle } from './fields'
import { tens } from './picture'
import { figure, type Sum } from './sum'

const micron = (pa: number): string => `${Number((pa / PA_PER_MICRON).toPrecision(3)).toLocaleString('en')}`
/** The deepest that is drawn, Pa: no needle tells anything there. */
const BOTTOM_PA = 50 * PA_PER_MICRON

export const NEEDLE_SUM: Sum = {
  id: 'needle',
  name: 'Needle',
  question: 'What can a needle show here, and what does its reading mean?',
  asks: [
    air({ like: '2380 m' }),
    needle({ key: 'shows', label: 'The needle shows', like: '19 inHg' }),
    celsius({ key: 'cold', label: 'Coldest part of the car', like: '20 C' }),
  ],
  formula:
    'absolute = air − inches × 3386.4 Pa, give or take half an inch; air = 101 325 Pa × (1 − 2.25577·10⁻⁵ h)^5.25588',
  source: 'ICAO standard atmosphere; half an inch is what a needle can be read to (assumed)',
  answer: (given) => {
    const { say } = given
    const airPa = figure(given, 'air')
    const read = needleReading(figure(given, 'shows'), airPa)
    const boilsPa = waterSaturationPa(kelvin(figure(given, 'cold')))
    const bottom = (airPa / PA_PER_INHG).toFixed(1)
    const span =
      read.lowPa <= 0
        ? `anything below ${micron(read.highPa)} micron`
        : `${micron(read.lowPa)} to ${micron(read.highPa)} micron`
    const boils =
      read.highPa < boilsPa
        ? 'water boils there'
        : read.lowPa > boilsPa
          ? 'no water boils there'
          : 'whether water boils there it cannot tell'
    const warm =
      read.highPa < 50_000 && read.highPa > 1
        ? `${say.celsius(toCelsius(waterBoilingK(read.highPa)))} at most`
        : 'hotter than any bay'
    return {
      main: span,
      line: `Needle at ${figure(given, 'shows')} inHg, air ${say.pressure(airPa)}: ${span}; bottom here ${bottom} inHg; at ${say.celsius(figure(given, 'cold'))} ${boils}.`,
      facts: [
        { name: 'Its bottom here', text: `${bottom} inHg, not 30` },
        { name: 'The reading means', text: span },
        {
          name: `Water at ${say.celsius(figure(given, 'cold'))}`,
          text: `boils below ${micron(boilsPa)} micron: ${boils}`,
        },
        { name: 'Water boils at this reading', text: `from ${warm}` },
      ],
      picture: {
        kind: 'scale',
        deep: true,
        axis: {
          from: airPa,
          to: BOTTOM_PA,
          log: true,
          name: 'micron',
          ticks: tens(BOTTOM_PA, airPa, micron, PA_PER_MICRON),
        },
        bands: [
          { from: airPa, to: boilsPa, name: 'air', tone: 'air' },
          { from: boilsPa, to: BOTTOM_PA, name: 'water boils', tone: 'drying' },
          {
            from: read.highPa,
            to: Math.max(BOTTOM_PA, read.lowPa),
            name: 'what the reading can mean',
            tone: 'deep',
            hatched: true,
          },
        ],
        marks: [{ at: boilsPa, text: `water boils at ${say.celsius(figure(given, 'cold'))}`, strong: true }],
        handles: [
          {
            field: 'shows',
            name: 'needle',
            at: Math.max(BOTTOM_PA, read.pressurePa),
            entry: (pa) => (airPa - pa) / PA_PER_INHG,
          },
        ],
      },
    }
  },
}
