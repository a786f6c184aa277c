import { hoseContentG } from '../fluids/hose'
import { saturatedDensities } from '../fluids/refrigerant'
import type { Refrigerant } from '../fluids/refrigerants'
import { W } from '../language/charge/plan'
import { GRAMS_PER_OUNCE } from '../units/constants'

/** A container at hand; masses g. A full can's tare is gross less net; a partly used one needs its tare. */
export type Container = {
  id: string
  kind: 'can' | 'cylinder'
  grossG: number
  netG?: number | undefined
  tareG?: number | undefined
  /** inner volume, L */
  volumeL?: number | undefined
  /** what its own label says is in it */
  refrigerant?: string | undefined
  /** the container on the shelf it is */
  stockId?: string | undefined
}

export type ChargePlanInput = {
  refrigerant: Refrigerant
  /** both ends of the label's figure, g */
  target: { lowG: number; highG: number }
  toleranceG: number
  ambientC: number
  scaleStepG: number
  hose: { boreM: number; lengthM: number; phase: 'vapour' | 'liquid'; drawnDown: boolean }
  purgeEachG: number
  purgeOnChange?: boolean
  /** false where the first of these is itself a change, and the hose stayed shut */
  purgeFirst?: boolean
  containers: readonly Container[]
}

export type ChargeStep = {
  id: string
  startGrossG: number
  stopGrossG: number
  stopGrossOz: number
  takenG: number
  purgeG: number
  /** what of it stays in the hose: the first one fills it */
  inHoseG: number
  emptied: boolean
}

export type ChargePlan = {
  steps: ChargeStep[]
  targetG: number
  weighedOutG: number
  deliveredG: number
  hoseHoldUpG: number
  shortG: number
  bandG: [low: number, high: number]
  meetsTolerance: boolean
  warnings: string[]
}

/** Contents fill a container to this many mL per gram of net, when its volume is not given (assumed). */
export const VOLUME_ML_PER_NET_G = 1.18
/** Half-width of a heel's uncertainty at 95 %, g (formats.md). */
const HEEL_HALF_WIDTH_G = 2

/** Less than this is nothing, g: what rounding leaves of a sum of weights. */
const NOTHING_G = 1e-6
/** A container that holds more than its label by this factor has another tare than was thought (assumed). */
const OVERFULL = 1.03
/** Empty weight of a can as a share of its net: 340 g cans weigh 430 to 520 g gross (practice; wider, assumed). */
const CAN_TARE_SHARE = [0.15, 0.8] as const

/** Empty weight of a container, g; NaN when neither tare nor net was given. */
export const tareOf = (container: Container): number =>
  container.tareG ?? container.grossG - (container.netG ?? Number.NaN)

/** Vapour that stays in an emptied container at ambient, g. */
export function heelG(container: Container, refrigerant: Refrigerant, ambientC: number): number {
  const volumeL =
    container.volumeL ?? ((container.netG ?? container.grossG - tareOf(container)) * VOLUME_ML_PER_NET_G) / 1000
  return volumeL * saturatedDensities(refrigerant, ambientC).vapourKgM3
}

/**
 * Which container to weigh out to which gross weight, so that the target lands in the car.
 * @returns weights in g and the 95 % band of what the car gets; `shortG` above zero when the containers do not suffice
 * @throws OutOfRange when the ambient is outside the refrigerant's table (-26 to 60 C)
 * @see model.md section 9, formats.md `charge`
 */
export function planCharge(input: ChargePlanInput): ChargePlan {
  const targetG = (input.target.lowG + input.target.highG) / 2
  const hoseHoldUpG = input.hose.drawnDown ? 0 : hoseContentG(input.hose)
  const steps: ChargeStep[] = []
  let toDeliver = targetG + hoseHoldUpG
  for (const container of input.containers) {
    if (toDeliver <= NOTHING_G) break
    const purged = steps.length === 0 ? (input.purgeFirst ?? true) : (input.purgeOnChange ?? true)
    const purgeG = purged ? input.purgeEachG : 0
    const available = Math.max(
      0,
      container.grossG - tareOf(container) - heelG(container, input.refrigerant, input.ambientC),
    )
    const takenG = Math.min(available, toDeliver + purgeG)
    const emptied = available <= toDeliver + purgeG
    const stopGrossG = container.grossG - takenG
    const counted = Math.min(purgeG, takenG)
    steps.push({
      id: container.id,
      startGrossG: container.grossG,
      stopGrossG,
      stopGrossOz: stopGrossG / GRAMS_PER_OUNCE,
      takenG,
      purgeG: counted,
      inHoseG: steps.length === 0 ? Math.min(hoseHoldUpG, takenG - counted) : 0,
      emptied,
    })
    toDeliver -= takenG - counted
  }
  const weighedOutG = steps.reduce((sum, s) => sum + s.takenG, 0)
  const purged = steps.reduce((sum, s) => sum + s.purgeG, 0)
  const deliveredG = weighedOutG - purged - hoseHoldUpG
  const halfWidth = bandHalfWidthG(steps, input.scaleStepG, hoseHoldUpG)
  const shortG = Math.max(0, targetG - deliveredG)
  const allowance = input.toleranceG
  const meetsTolerance = shortG < NOTHING_G && halfWidth <= allowance
  return {
    steps,
    targetG,
    weighedOutG,
    deliveredG,
    hoseHoldUpG,
    shortG: shortG < NOTHING_G ? 0 : shortG,
    bandG: [deliveredG - halfWidth, deliveredG + halfWidth],
    meetsTolerance,
    warnings: warningsOf(input, shortG, halfWidth, allowance),
  }
}

/**
 * 95 % half-width, g: one scale step per weighing, half of each purge, a tenth of the hold-up, 2 g per heel, in
 * quadrature.
 */
function bandHalfWidthG(steps: readonly ChargeStep[], scaleStepG: number, holdUpG: number): number {
  const weighings = 2 * steps.length * scaleStepG ** 2
  const purges = steps.reduce((sum, s) => sum + (s.purgeG / 2) ** 2, 0)
  const heels = steps.filter((s) => s.emptied).length * HEEL_HALF_WIDTH_G ** 2
  return Math.sqrt(weighings + purges + heels + (holdUpG / 10) ** 2)
}

function warningsOf(input: ChargePlanInput, shortG: number, halfWidth: number, allowance: number): string[] {
  const found: string[] = []
  if (shortG >= NOTHING_G) found.push(W.theseContainersAreGShort(Math.ceil(shortG)))
  if (halfWidth > allowance) found.push(W.thisScaleWithTheseChanges(allowance.toFixed(0), halfWidth.toFixed(0)))
  for (const c of input.containers) {
    const tare = tareOf(c)
    if (c.grossG < tare) found.push(W.weighsLessThanItsOwn(c.id))
    else if (c.netG !== undefined && c.tareG === undefined && c.grossG <= c.netG) found.push(W.theGrossIsNotAbove(c.id))
    else if (
      c.kind === 'can' &&
      c.netG !== undefined &&
      (tare < CAN_TARE_SHARE[0] * c.netG || tare > CAN_TARE_SHARE[1] * c.netG)
    )
      found.push(W.anEmptyWeightOfG(c.id, tare.toFixed(0), c.netG.toFixed(0)))
    if (c.netG !== undefined && c.tareG !== undefined && c.grossG - c.tareG > c.netG * OVERFULL)
      found.push(W.holdsGByItsWeights(c.id, (c.grossG - c.tareG).toFixed(0), c.netG.toFixed(0)))
  }
  if (input.hose.phase === 'liquid') found.push(W.liquidGoesOnlyIntoThe)
  return found
}
