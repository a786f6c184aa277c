import { type JobState, wayOf } from '../job/state'
import { WAY_WORDS } from '../job/ways'
import { W } from '../language/call/charge-words'
import { type Say, sayIn, USUAL_SAY } from '../units/say'
import { shownMass } from '../units/shown'

/** From this much on it is worth opening again, g (assumed: what a scale step and the hose blur). */
export const MORE_FROM_G = 4

/** The name of the valve the charge goes through, as the hands know it. */
export const valveName = (state: JobState): string => (WAY_WORDS[wayOf(state)].valve === 'valve-high' ? 'high' : 'low')

/** The same weight as the scale may say it: in ounces for whoever thinks in grams, in grams for the others. */
const otherMass = (grams: number, say: Say): string =>
  say.units.mass === 'g' ? sayIn({ ...say.units, mass: 'oz' }).mass(grams) : USUAL_SAY.mass(grams)

/** A weight to stop at as the reader says it, and as the scale may. */
export const massBoth = (grams: number, say: Say): string => `${say.mass(grams)}, ${otherMass(grams, say)}`

/** What stands behind the figure to stop at: its unit, and the other. */
export function onTheScale(grams: number, say: Say): string {
  const { unit } = shownMass(grams, say.units.mass)
  return W.onTheScale(unit, unit && ' ', otherMass(grams, say))
}
