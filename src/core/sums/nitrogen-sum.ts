import { W } from '../language/sums/nitrogen'
import { bothPressures } from '../units/say'
import { kelvin } from '../units/temperature'
import { air, celsius, gauge } from './fields'
import { drawn, even } from './picture'
import { figure, type Sum } from './sum'

const [COLD_C, WARM_C] = [-20, 60]

export const NITROGEN_SUM: Sum = {
  id: 'nitrogen',
  name: W.nitrogen,
  question: W.whatDoesTheGaugeOf,
  asks: [
    gauge({ key: 'in', label: W.itStoodAt, like: '150 psig', most: 3.5e6 }),
    celsius({ key: 'then', label: W.whileTheCarWasAt, like: '30 C', least: COLD_C, most: WARM_C }),
    celsius({ key: 'now', label: W.nowTheCarIsAt, like: '20 C', least: COLD_C, most: WARM_C }),
    air(),
  ],
  formula: W.pPTTBoth,
  source: W.theGasLawNitrogenIs,
  answer: (given) => {
    const { say } = given
    const [inG, then, now, airPa] = ['in', 'then', 'now', 'air'].map((k) => figure(given, k)) as [
      number,
      number,
      number,
      number,
    ]
    const at = (c: number) => ((inG + airPa) * kelvin(c)) / kelvin(then) - airPa
    const moved = at(now) - inG
    const main = bothPressures(at(now), say)
    const by = `${moved < 0 ? W.down : W.up} ${say.pressure(Math.abs(moved))}`
    return {
      main,
      line: W.nitrogenAtAndATight(bothPressures(inG, say), say.celsius(then), main, say.celsius(now), by),
      facts: [
        { name: W.aTightCarShows, text: main },
        { name: W.byTemperatureAlone, text: by },
        { name: W.forOneDegree, text: say.pressure((inG + airPa) / kelvin(then)) },
        {
          name: W.mind,
          text: W.regulatorWithAReliefValve,
        },
      ],
      picture: {
        kind: 'curve',
        x: { from: COLD_C, to: WARM_C, name: 'car', ticks: even(COLD_C, WARM_C, 20, (v) => say.celsius(v)) },
        y: {
          from: 0,
          to: 1.5 * inG + 1000,
          name: 'gauge',
          ticks: even(0, 1.5 * inG, Math.max(50_000, Math.round(inG / 2 / 50_000) * 50_000), (v) => say.pressure(v)),
        },
        lines: [{ name: W.aTightCar, points: drawn(COLD_C, WARM_C, 20, at) }],
        rules: [{ y: inG, text: W.itStoodHere }],
        handles: [{ field: 'now', name: W.carNow, along: 'x', at: now, other: at(now) }],
      },
    }
  },
}
