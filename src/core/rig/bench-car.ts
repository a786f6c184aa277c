import { type Refrigerant, saturatedDensities, saturationPa } from '../fluids/refrigerant'
import type { RigState } from '../procedure/parts'
import { kelvin } from '../units/temperature'
import { composeRig, farNode } from './compose'
import { Stepper } from './stepper'

/** What is really inside the simulated car and its rig; hidden from the technician. SI but for the named units. */
export type BenchTruth = {
  volumeL: number
  line: { boreMm: number; lengthM: number; hoses: number }
  pumpCfm: number
  ultimateMicron: number
  /** air flowing in at hard vacuum, Pa m3/s */
  leakPaM3S: number
  /** liquid water, g */
  waterG: number
  /** water bound in oil and desiccant, g */
  boundG: number
  ambientC: number
  barometerPa: number
  refrigerant: Refrigerant
  seed: number
}

/** A container on the simulated scale: gross weight and what it weighs empty, g. */
export type BenchContainer = { grossG: number; tareG: number }

/** Air through an open line at hard vacuum, Pa m3/s per Pa of air: it is back within seconds (assumed). */
const OPEN_LINE_M3_S = 0.01
/** Vapour leaves a container at this rate per pressure difference, g/(s Pa) (assumed: about 2 g/s into a vacuum). */
const CONTAINER_G_S_PA = 4e-6
/** A container without liquid holds about this much vapour at its saturation pressure, g (assumed, a 340 g can). */
const LAST_VAPOUR_G = 10
/** A running car's evaporating temperature fully charged, Celsius, and its condensing above ambient, K (assumed). */
const EVAPORATING_C = 4
const CONDENSING_ABOVE_K = 22
/** A car of this much has two evaporators, L (assumed, as the planner takes it). */
const TWO_EVAPORATORS_FROM_L = 4

/** The simulated car on its rig: the network of `composeRig`, carried along second by second, and the charge in it. */
export class BenchCar {
  readonly truth: BenchTruth
  /** refrigerant in the car, g */
  chargeG = 0
  private readonly stepper: Stepper
  private readonly far: number

  constructor(truth: BenchTruth, rig: RigState) {
    this.truth = truth
    const car = { volumeL: truth.volumeL, evaporators: truth.volumeL >= TWO_EVAPORATORS_FROM_L ? (2 as const) : (1 as const) }
    const { boreMm, lengthM, hoses } = truth.line
    const composed = composeRig({
      car,
      rig: { name: 'bench', boreMm, lengthM, hoses, pumpCfm: truth.pumpCfm, ultimateMicron: truth.ultimateMicron, gauge: 'electronic', scaleStepG: 1 },
      ambientC: truth.ambientC,
      barometerPa: truth.barometerPa,
      water: { liquidG: truth.waterG, boundG: truth.boundG },
    })
    const leaks = [
      { at: 'manifold', air_Pa_m3_s: 0 },
      { at: 'high', air_Pa_m3_s: truth.leakPaM3S },
    ]
    this.stepper = new Stepper({ ...composed, sources: { ...composed.sources, leaks } })
    this.far = this.stepper.network.nodes.indexOf(farNode(car))
    this.turn(rig)
  }

  /** Total pressure at the farthest place, Pa absolute, while there is no charge. */
  get farPa(): number {
    return this.stepper.network.totalPa(this.stepper.y, this.far)
  }

  /** Sets every valve and the pump to what the hands have done. */
  turn(rig: RigState): void {
    const links: [string, boolean][] = [
      ['core-low', rig['coupler-low'] === 'open'],
      ['hose-low', rig['valve-low'] === 'open'],
      ['core-high', rig['coupler-high'] === 'open'],
      ['hose-high', rig['valve-high'] === 'open'],
      ['hose-pump', rig['centre-hose'] === 'pump'],
    ]
    const { network, t } = this.stepper
    // a rig with one hose has no high side: what is not there cannot be turned
    for (const [id, open] of links) network.apply(open ? { t_s: t, open: id } : { t_s: t, close: id })
    const pumping = rig.pump === 'on'
    network.apply({ t_s: t, pump: pumping ? 'on' : 'off' })
    network.apply({ t_s: t, ballast: rig.ballast === 'open' })
    // without a running pump or a container at its end the centre hose is open to the air, through a stopped pump too
    const closed = rig['centre-hose'] === 'container' || (rig['centre-hose'] === 'pump' && pumping)
    network.setLeak(0, closed ? 0 : OPEN_LINE_M3_S * this.truth.barometerPa)
    this.stepper.begin()
  }

  /** One second on; what leaves an open container is in the car then, and is returned, g. */
  second(rig: RigState, container?: BenchContainer): number {
    if (this.chargeG === 0) this.stepper.advanceTo(this.stepper.t + 1)
    const takenG = container ? this.containerFlowGS(rig, container) : 0
    this.chargeG += takenG
    return takenG
  }

  /** Pressure of the refrigerant on the low and the high side, Pa absolute, at rest or with the engine running. */
  chargedPressures(engineOn: boolean): { lowPa: number; highPa: number } {
    const { refrigerant, ambientC, volumeL } = this.truth
    const full = saturatedDensities(refrigerant, ambientC).vapourKgM3
    const restPa = saturationPa(refrigerant, kelvin(ambientC)) * Math.min(1, this.chargeG / volumeL / full)
    if (!engineOn || this.chargeG < 50) return { lowPa: restPa, highPa: restPa }
    const runningC = EVAPORATING_C - 14 * Math.max(0, 1 - this.chargeG / 400)
    return {
      lowPa: saturationPa(refrigerant, kelvin(runningC)),
      highPa: saturationPa(refrigerant, kelvin(Math.min(90, ambientC + CONDENSING_ABOVE_K))),
    }
  }

  private containerFlowGS(rig: RigState, container: BenchContainer): number {
    const open = rig['centre-hose'] === 'container' && rig['container-valve'] === 'open' && rig['valve-low'] === 'open' && rig['coupler-low'] === 'open'
    if (!open || container.grossG <= container.tareG) return 0
    // the last grams are vapour: its pressure falls with them, and they stay as the heel
    const vapourShare = Math.min(1, (container.grossG - container.tareG) / LAST_VAPOUR_G)
    const insidePa = saturationPa(this.truth.refrigerant, kelvin(this.truth.ambientC)) * vapourShare
    const { lowPa } = this.chargedPressures(rig.engine === 'on')
    return CONTAINER_G_S_PA * Math.max(0, insidePa - lowPa)
  }
}
