import { GRAMS_PER_OUNCE } from '../units/constants'
import { formatPoundsOunces } from '../units/mass'
import { type ChargePlan, type ChargePlanInput, heelG, tareOf } from './plan'

/** A mass in the units people use at the scale: `146 g, 5.2 oz`; from a pound on `540 g, 19.0 oz, 1 lb 3.0 oz`. */
export function massWords(grams: number): string {
  const ounces = grams / GRAMS_PER_OUNCE
  return `${grams.toFixed(0)} g, ${ounces.toFixed(1)} oz${ounces >= 16 ? `, ${formatPoundsOunces(grams)}` : ''}`
}

/** A figure of the working: `472 g (16.6 oz)`. */
const both = (grams: number): string => `${grams.toFixed(0)} g (${(grams / GRAMS_PER_OUNCE).toFixed(1)} oz)`

/** The plan worked line by line, in grams and ounces, so that it can be checked by hand. */
export function workingOf(input: ChargePlanInput, plan: ChargePlan): string[] {
  const { target, hose } = input
  const range = target.highG > target.lowG ? `, the middle of ${both(target.lowG)} to ${both(target.highG)}` : ''
  const purged = plan.steps.reduce((sum, s) => sum + s.purgeG, 0)
  const held = hose.drawnDown
    ? 'nothing stays in the hose, it is drawn down'
    : `${both(plan.hoseHoldUpG)} of ${hose.phase} stay in the hose`
  const steps = plan.steps.map((s, i) => {
    const c = input.containers.find((x) => x.id === s.id) as (typeof input.containers)[number]
    const tare = tareOf(c)
    const heel = heelG(c, input.refrigerant, input.ambientC)
    const holds = `${s.id}: ${both(s.startGrossG)} on the scale, empty ${both(tare)}, so it holds ${both(s.startGrossG - tare)}`
    const stop = `${i + 1 < plan.steps.length ? 'change' : 'close'} at ${massWords(s.stopGrossG)}`
    return (
      `${holds}; ${s.emptied ? `its heel of ${both(heel)} stays; ` : ''}takes out ${both(s.takenG)}, ` +
      `${both(s.purgeG)} of it purged; ${stop}.`
    )
  })
  return [
    `Target ${massWords(plan.targetG)}${range}.`,
    `Weighed out: ${both(plan.targetG)} into the car + ${both(purged)} purged; ${held}: ${both(plan.weighedOutG)}.`,
    ...steps,
    `Into the car ${massWords(plan.deliveredG)}, at 95 % between ${both(plan.bandG[0])} and ${both(plan.bandG[1])}.`,
    plan.meetsTolerance ? `Within ±${both(input.toleranceG)}.` : `Not within ±${both(input.toleranceG)} for certain.`,
  ]
}
