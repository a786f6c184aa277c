import { GRAMS_PER_OUNCE } from '../units/constants'
import { formatPoundsOunces, massInAllUnits, parseMass } from '../units/mass'
import { mass } from './fields'
import { even } from './picture'
import { figure, type Sum } from './sum'

const POUND_G = 16 * GRAMS_PER_OUNCE

export const POUNDS_SUM: Sum = {
  id: 'pounds',
  name: 'Pounds, ounces',
  question: 'How many grams is what the label says?',
  asks: [mass({ key: 'mass', label: 'Weight, as the label has it', like: '1 lb 4 oz', least: 1 })],
  formula: '1 lb = 16 oz = 453.59 g; 1.4 lb is 1 lb 6.4 oz, not 1 lb 4 oz',
  source: 'the international pound',
  answer: (given) => {
    const grams = figure(given, 'mass')
    const { warning } = parseMass(given.c.mass ?? '')
    const top = Math.max(1000, 1.5 * grams)
    return {
      main: `${Math.round(grams)} g`,
      line: `${given.c.mass}: ${massInAllUnits(grams).join(', ')}.${warning ? ` Mind: ${warning}.` : ''}`,
      facts: [
        ...massInAllUnits(grams).map((text, i) => ({
          name: ['grams', 'ounces', 'pounds and ounces', 'kilograms'][i] ?? '',
          text,
        })),
        ...(warning ? [{ name: 'Mind', text: warning }] : []),
      ],
      picture: {
        kind: 'scale',
        axis: { from: 0, to: top, name: 'g', ticks: even(0, top, top > 4000 ? 1000 : 200, (v) => `${v} g`) },
        beside: even(0, top, (top > 4000 ? 4 : top > 1500 ? 1 : 0.5) * POUND_G, formatPoundsOunces),
        bands: [{ from: 0, to: grams, name: 'so much', tone: 'deep' }],
        marks: [],
        handles: [{ field: 'mass', name: 'weight', at: grams }],
      },
    }
  },
}
