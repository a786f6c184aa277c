import { GRAMS_PER_OUNCE } from '../units/constants'
import { formatPoundsOunces } from '../units/mass'
import { type ChargePlan, type ChargePlanInput, heelG, tareOf } from './plan'

/** A mass in the units people use at the scale: `146 g, 5.2 oz`; from a pound on `540 g, 19.0 oz, 1 lb 3.0 oz`. */
export function massWords(grams: number): string {
  const ounces = grams / GRAMS_PER_OUNCE
  return `${grams.toFixed(0)} g, ${ounces.toFixed(1)} oz${ounces >= 16 ? `, ${formatPoundsOunces(grams)}` : ''}`
}

/** The plan worked line by line, so that it can be checked by hand. */
export function workingOf(input: ChargePlanInput, plan: ChargePlan): string[] {
  const { target, hose } = input
  const range = target.highG > target.lowG ? `, the middle of ${target.lowG} to ${target.highG} g` : ''
  const purged = plan.steps.reduce((sum, s) => sum + s.purgeG, 0)
  const held = hose.drawnDown ? 'nothing stays in the hose, it is drawn down' : `${plan.hoseHoldUpG.toFixed(1)} g ${hose.phase} stay in the hose`
  const steps = plan.steps.map((s, i) => {
    const c = input.containers.find((x) => x.id === s.id) as (typeof input.containers)[number]
    const tare = tareOf(c)
    const heel = heelG(c, input.refrigerant, input.ambientC)
    const holds = `${s.id}: ${s.startGrossG.toFixed(0)} g on the scale, empty ${tare.toFixed(0)} g, so it holds ${(s.startGrossG - tare).toFixed(0)} g`
    const stop = `${i + 1 < plan.steps.length ? 'change' : 'close'} at ${massWords(s.stopGrossG)}`
    return `${holds}; ${s.emptied ? `its heel of ${heel.toFixed(0)} g stays; ` : ''}takes out ${s.takenG.toFixed(0)} g, ${s.purgeG.toFixed(0)} g of it purged; ${stop}.`
  })
  return [
    `Target ${massWords(plan.targetG)}${range}.`,
    `Weighed out: ${plan.targetG.toFixed(0)} g into the car + ${purged.toFixed(0)} g purged; ${held}: ${plan.weighedOutG.toFixed(0)} g.`,
    ...steps,
    `Into the car ${massWords(plan.deliveredG)}, at 95 % between ${plan.bandG[0].toFixed(0)} and ${plan.bandG[1].toFixed(0)} g.`,
    plan.meetsTolerance ? `Within ±${input.toleranceG.toFixed(0)} g.` : `Not within ±${input.toleranceG.toFixed(0)} g for certain.`,
  ]
}
