import { bothPressures } from '../units/say'
import { kelvin } from '../units/temperature'
import { air, celsius, gauge } from './fields'
import { drawn, even } from './picture'
import { figure, type Sum } from './sum'

const [COLD_C, WARM_C] = [-20, 60]

export const NITROGEN_SUM: Sum = {
  id: 'nitrogen',
  name: 'Nitrogen',
  question: 'What does the gauge of a tight car show when it gets warmer or colder?',
  asks: [
    gauge({ key: 'in', label: 'It stood at', like: '150 psig', most: 3.5e6 }),
    celsius({ key: 'then', label: 'while the car was at', like: '30 C', least: COLD_C, most: WARM_C }),
    celsius({ key: 'now', label: 'Now the car is at', like: '20 C', least: COLD_C, most: WARM_C }),
    air(),
  ],
  formula: 'p₂ = p₁ × T₂/T₁, both absolute: the air is added before and taken off after',
  source: 'the gas law; nitrogen is within 0.3 % of it here',
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
    const by = `${moved < 0 ? 'down' : 'up'} ${say.pressure(Math.abs(moved))}`
    return {
      main,
      line: `Nitrogen at ${bothPressures(inG, say)} and ${say.celsius(then)}: a tight car shows ${main} at ${say.celsius(now)}, ${by} by temperature alone.`,
      facts: [
        { name: 'A tight car shows', text: main },
        { name: 'By temperature alone', text: by },
        { name: 'For one degree', text: say.pressure((inG + airPa) / kelvin(then)) },
        {
          name: 'Mind',
          text: 'regulator with a relief valve, below the label’s limit, never oxygen or shop air; let it out before the pump runs',
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
        lines: [{ name: 'a tight car', points: drawn(COLD_C, WARM_C, 20, at) }],
        rules: [{ y: inG, text: 'it stood here' }],
        handles: [{ field: 'now', name: 'car now', along: 'x', at: now, other: at(now) }],
      },
    }
  },
}
