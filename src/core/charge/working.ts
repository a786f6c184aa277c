import { W } from '../language/charge/working'
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
  const range = target.highG > target.lowG ? W.theMiddleOfTo(both(target.lowG), both(target.highG)) : ''
  const purged = plan.steps.reduce((sum, s) => sum + s.purgeG, 0)
  const held = hose.drawnDown ? W.nothingStaysInTheHose : W.ofStayInTheHose(both(plan.hoseHoldUpG), hose.phase)
  const steps = plan.steps.map((s, i) => {
    const c = input.containers.find((x) => x.id === s.id) as (typeof input.containers)[number]
    const tare = tareOf(c)
    const heel = heelG(c, input.refrigerant, input.ambientC)
    const holds = W.onTheScaleEmptySo(s.id, both(s.startGrossG), both(tare), both(s.startGrossG - tare))
    const stop = W.atWord(i + 1 < plan.steps.length ? W.change : W.close, massWords(s.stopGrossG))
    return W.takesOutOfItPurged(
      holds,
      s.emptied ? W.itsHeelOfStays(both(heel)) : '',
      both(s.takenG),
      both(s.purgeG),
      stop,
    )
  })
  return [
    W.target(massWords(plan.targetG), range),
    W.weighedOutIntoTheCar(both(plan.targetG), both(purged), held, both(plan.weighedOutG)),
    ...steps,
    W.intoTheCarAt95(massWords(plan.deliveredG), both(plan.bandG[0]), both(plan.bandG[1])),
    plan.meetsTolerance ? W.within(both(input.toleranceG)) : W.notWithinForCertain(both(input.toleranceG)),
  ]
}
