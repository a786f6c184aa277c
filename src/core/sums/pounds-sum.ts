import { W } from '../language/sums/pounds'
import { GRAMS_PER_OUNCE } from '../units/constants'
import { formatPoundsOunces, massInAllUnits, parseMass } from '../units/mass'
import { mass } from './fields'
import { even } from './picture'
import { figure, type Sum } from './sum'

const POUND_G = 16 * GRAMS_PER_OUNCE

export const POUNDS_SUM: Sum = {
  id: 'pounds',
  name: W.poundsOunces,
  question: W.howManyGramsIsWhat,
  asks: [mass({ key: 'mass', label: W.weightAsTheLabelHas, like: '1 lb 4 oz', least: 1 })],
  formula: W.n1Lb16Oz453,
  source: W.theInternationalPound,
  answer: (given) => {
    const grams = figure(given, 'mass')
    const { warning } = parseMass(given.c.mass ?? '')
    const top = Math.max(1000, 1.5 * grams)
    return {
      main: `${Math.round(grams)} g`,
      line: `${given.c.mass}: ${massInAllUnits(grams).join(', ')}.${warning ? ` Mind: ${warning}.` : ''}`,
      facts: [
        ...massInAllUnits(grams).map((text, i) => ({
          name: [W.grams, W.ounces, W.poundsAndOunces, W.kilograms][i] ?? '',
          text,
        })),
        ...(warning ? [{ name: W.mind, text: warning }] : []),
      ],
      picture: {
        kind: 'scale',
        axis: { from: 0, to: top, name: 'g', ticks: even(0, top, top > 4000 ? 1000 : 200, (v) => `${v} g`) },
        beside: even(0, top, (top > 4000 ? 4 : top > 1500 ? 1 : 0.5) * POUND_G, formatPoundsOunces),
        bands: [{ from: 0, to: grams, name: W.soMuch, tone: 'deep' }],
        marks: [],
        handles: [{ field: 'mass', name: 'weight', at: grams }],
      },
    }
  },
}
