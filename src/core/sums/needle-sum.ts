import { waterBoilingK, waterSaturationPa } from '../fluids/water'
import { W } from '../language/sums/needle'
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
  name: W.needle,
  question: W.whatCanANeedleShow,
  asks: [
    air({ like: '2380 m' }),
    needle({ key: 'shows', label: W.theNeedleShows, like: '19 inHg' }),
    celsius({ key: 'cold', label: W.coldestPartOfTheCar, like: '20 C' }),
  ],
  formula: W.absoluteAirInches33864,
  source: W.icaoStandardAtmosphereHalfAn,
  answer: (given) => {
    const { say } = given
    const airPa = figure(given, 'air')
    const read = needleReading(figure(given, 'shows'), airPa)
    const boilsPa = waterSaturationPa(kelvin(figure(given, 'cold')))
    const bottom = (airPa / PA_PER_INHG).toFixed(1)
    const span =
      read.lowPa <= 0 ? W.anythingBelowMicron(micron(read.highPa)) : W.toMicron(micron(read.lowPa), micron(read.highPa))
    const boils =
      read.highPa < boilsPa
        ? W.waterBoilsThere
        : read.lowPa > boilsPa
          ? W.noWaterBoilsThere
          : W.whetherWaterBoilsThereIt
    const warm =
      read.highPa < 50_000 && read.highPa > 1
        ? W.atMost(say.celsius(toCelsius(waterBoilingK(read.highPa))))
        : W.hotterThanAnyBay
    return {
      main: span,
      line: W.needleAtInhgAirBottom(
        figure(given, 'shows'),
        say.pressure(airPa),
        span,
        bottom,
        say.celsius(figure(given, 'cold')),
        boils,
      ),
      facts: [
        { name: W.itsBottomHere, text: W.inhgNot30(bottom) },
        { name: W.theReadingMeans, text: span },
        {
          name: W.waterAt(say.celsius(figure(given, 'cold'))),
          text: W.boilsBelowMicron(micron(boilsPa), boils),
        },
        { name: W.waterBoilsAtThisReading, text: W.from(warm) },
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
          { from: boilsPa, to: BOTTOM_PA, name: W.waterBoils, tone: 'drying' },
          {
            from: read.highPa,
            to: Math.max(BOTTOM_PA, read.lowPa),
            name: W.whatTheReadingCanMean,
            tone: 'deep',
            hatched: true,
          },
        ],
        marks: [{ at: boilsPa, text: W.waterBoilsAt(say.celsius(figure(given, 'cold'))), strong: true }],
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
