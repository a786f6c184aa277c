import { dewPointAtMostC, waterBoilingK, waterSaturationPa } from '../fluids/water'
import { W } from '../language/sums/boiling'
import { PA_PER_MICRON } from '../units/constants'
import { kelvin, celsius as toCelsius } from '../units/temperature'
import { celsius, vacuum } from './fields'
import { drawn, even, tens } from './picture'
import { figure, type Sum } from './sum'

const micron = (pa: number): string => Number((pa / PA_PER_MICRON).toPrecision(3)).toLocaleString('en')
const [COLD_C, WARM_C] = [-40, 60]

export const BOILING_SUM: Sum = {
  id: 'boiling',
  name: W.boiling,
  question: W.whenDoesWaterBoilIn,
  asks: [
    vacuum({ key: 'vacuum', label: W.vacuumAtTheCar, like: '500 micron', least: 12 * PA_PER_MICRON, most: 19_000 }),
    celsius({ key: 'cold', label: W.coldestPartOfTheCar, like: '15 C', least: COLD_C, most: WARM_C }),
  ],
  formula: W.lnP54846763,
  source: W.murphyAndKoopQJ,
  answer: (given) => {
    const { say } = given
    const [pa, cold] = [figure(given, 'vacuum'), figure(given, 'cold')]
    const boilsC = toCelsius(waterBoilingK(pa))
    const belowPa = waterSaturationPa(kelvin(cold))
    const dew = dewPointAtMostC(pa)
    const boils = pa < belowPa
    const main = boils ? W.itBoils : W.itDoesNotBoil
    return {
      main,
      line: W.atWaterBoilsFromAt(
        say.vacuum(pa),
        say.celsius(boilsC),
        say.celsius(cold),
        micron(belowPa),
        main,
        say.celsius(dew),
      ),
      facts: [
        {
          name: W.at(say.vacuum(pa)),
          text: W.waterBoilsFrom(say.celsius(boilsC, 1), boilsC < 0 ? W.iceWhichSublimesSlowly : ''),
        },
        { name: W.at(say.celsius(cold)), text: W.belowMicron(micron(belowPa)) },
        { name: W.dewPoint, text: W.atMostLessWhereOther(say.celsius(dew)) },
      ],
      picture: {
        kind: 'curve',
        x: { from: COLD_C, to: WARM_C, name: W.coldestPart, ticks: even(COLD_C, WARM_C, 20, (v) => say.celsius(v)) },
        y: {
          from: 20_000,
          to: 12 * PA_PER_MICRON,
          log: true,
          name: 'micron',
          ticks: tens(12 * PA_PER_MICRON, 20_000, micron, PA_PER_MICRON),
        },
        lines: [
          {
            name: W.waterBoilsBelowThisLine,
            points: drawn(COLD_C, WARM_C, 60, (c) => waterSaturationPa(kelvin(c))),
          },
        ],
        rules: [],
        handles: [
          { field: 'cold', name: W.coldestPart, along: 'x', at: cold, other: pa },
          { field: 'vacuum', name: 'vacuum', along: 'y', at: pa, other: cold },
        ],
      },
    }
  },
}
