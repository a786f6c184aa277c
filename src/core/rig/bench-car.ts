import { type Refrigerant, saturatedDensities, saturationPa } from '../fluids/refrigerant'
import { waterSaturationPa } from '../fluids/water'
import type { RigState } from '../procedure/parts'
import { GAS_CONSTANT, L_S_PER_CFM, PA_PER_MICRON } from '../units/constants'
import { kelvin } from '../units/temperature'
import { type Line, pullFlow } from './pull-flow'

/** What is really inside the simulated car and its rig; hidden from the technician. SI but for the named units. */
export type BenchTruth = {
  volumeL: number
  line: Line
  pumpCfm: number
  ultimateMicron: number
  /** air flowing in at hard vacuum, Pa m3/s */
  leakPaM3S: number
  /** liquid water, g */
  waterG: number
  /** water bound in oil and desiccant, g, with its time constant, s */
  boundG: number
  boundTauS: number
  ambientC: number
  barometerPa: number
  refrigerant: Refrigerant
  seed: number
}

/** The simulated car at one moment; pressures Pa absolute, masses g, temperatures Celsius. */
export type BenchState = {
  airPa: number
  waterPa: number
  liquidG: number
  liquidC: number
  boundG: number
  /** refrigerant in the car, g */
  chargeG: number
  pumpPa: number
}

/** A container on the simulated scale: gross weight and what it weighs empty, g. */
export type BenchContainer = { grossG: number; tareG: number }

const WATER_KG_MOL = 0.018015
/** Evaporation conductance, m3/s; heat in, W/K; least heat capacity as mass of water, g; J/g (all assumed, model.md section 4). */
const EVAPORATION_M3_S = 0.5e-3
const WARMING_W_K = 0.4
const LEAST_WETTED_G = 20
const WATER_HEAT_J_G_K = 4.19
const LATENT_J_G = 2500
/** Vapour leaves a container at this rate per pressure difference, g/(s Pa) (assumed: about 2 g/s into a vacuum). */
const CONTAINER_G_S_PA = 4e-6
/** A container without liquid holds about this much vapour at its saturation pressure, g (assumed, a 340 g can). */
const LAST_VAPOUR_G = 10
/** A running car's evaporating temperature fully charged, Celsius, and its condensing above ambient, K (assumed). */
const EVAPORATING_C = 4
const CONDENSING_ABOVE_K = 22

/** A car as the bench presents it at the start: full of the air of the place, wet as its truth says. */
export function benchAtStart(truth: BenchTruth): BenchState {
  const waterPa = 0.4 * waterSaturationPa(kelvin(truth.ambientC))
  return {
    airPa: truth.barometerPa - waterPa,
    waterPa,
    liquidG: truth.waterG,
    liquidC: truth.ambientC,
    boundG: truth.boundG,
    chargeG: 0,
    pumpPa: truth.barometerPa,
  }
}

/**
 * The car `dtS` seconds later. Implicit in the pressures, so that any step is stable and none goes negative.
 * @param dtS - s, 0 to 2 for fair accuracy
 * @param container - what stands open on the scale; its gross weight is returned changed
 */
export function benchStep(state: BenchState, truth: BenchTruth, rig: RigState, dtS: number, container?: BenchContainer): { state: BenchState; container?: BenchContainer } {
  const gas = stepGas(state, truth, rig, dtS)
  if (!container) return { state: gas }
  const takenG = dtS * containerFlowGS(gas, truth, rig, container)
  return { state: { ...gas, chargeG: gas.chargeG + takenG }, container: { ...container, grossG: container.grossG - takenG } }
}

const isOpen = (rig: RigState): boolean => (rig['valve-low'] === 'open' && rig['coupler-low'] === 'open') || (rig['valve-high'] === 'open' && rig['coupler-high'] === 'open')

function stepGas(state: BenchState, truth: BenchTruth, rig: RigState, dtS: number): BenchState {
  if (state.chargeG > 0) return state
  const volume = truth.volumeL / 1000
  const totalPa = state.airPa + state.waterPa
  const pumped = rig['centre-hose'] === 'pump' && rig.pump === 'on' && isOpen(rig)
  const vented = isOpen(rig) && rig['centre-hose'] !== 'container' && !pumped
  const ultimatePa = Math.max(truth.ultimateMicron * PA_PER_MICRON, rig.ballast === 'open' ? 40 : 0)
  const flow = pullFlow(totalPa, truth.line, (truth.pumpCfm * L_S_PER_CFM) / 1000, ultimatePa)
  const outM3S = pumped ? flow.flowPaM3S / totalPa : 0
  // an open line without a running pump lets the air back in within seconds
  const leak = vented ? 0.01 * truth.barometerPa : truth.leakPaM3S
  const inPaM3S = (leak * Math.max(0, truth.barometerPa ** 2 - totalPa ** 2)) / truth.barometerPa ** 2
  const airPa = (state.airPa + (dtS / volume) * inPaM3S) / (1 + (dtS / volume) * outM3S)
  const water = stepWater(state, truth, volume, outM3S, dtS)
  return { ...state, ...water, airPa, pumpPa: pumped ? flow.pumpPa : state.pumpPa }
}

function stepWater(state: BenchState, truth: BenchTruth, volume: number, outM3S: number, dtS: number) {
  const gramPerPaM3 = (WATER_KG_MOL * 1000) / (GAS_CONSTANT * kelvin(truth.ambientC))
  const saturationPaNow = waterSaturationPa(kelvin(Math.max(-60, state.liquidC)))
  const evaporating = state.liquidG > 0 ? EVAPORATION_M3_S : 0
  const ambientPa = waterSaturationPa(kelvin(truth.ambientC))
  const boundPaM3S = truth.boundG > 0 ? (truth.boundG / gramPerPaM3 / truth.boundTauS) * Math.max(0, state.boundG / truth.boundG - state.waterPa / ambientPa) : 0
  const source = evaporating * saturationPaNow + boundPaM3S
  const waterPa = (state.waterPa + (dtS / volume) * source) / (1 + (dtS / volume) * (outM3S + evaporating))
  const boiledG = Math.min(state.liquidG, evaporating * (saturationPaNow - waterPa) * gramPerPaM3 * dtS)
  const heatCapacity = WATER_HEAT_J_G_K * Math.max(LEAST_WETTED_G, state.liquidG)
  const warming = WARMING_W_K * (truth.ambientC - state.liquidC) * dtS - LATENT_J_G * boiledG
  return {
    waterPa,
    liquidG: Math.max(0, state.liquidG - boiledG),
    liquidC: state.liquidC + warming / heatCapacity,
    boundG: Math.max(0, state.boundG - boundPaM3S * gramPerPaM3 * dtS),
  }
}

/** Pressure of the refrigerant on the low and the high side, Pa absolute, at rest or with the engine running. */
export function chargedPressures(state: BenchState, truth: BenchTruth, engineOn: boolean): { lowPa: number; highPa: number } {
  const full = saturatedDensities(truth.refrigerant, truth.ambientC).vapourKgM3
  const density = state.chargeG / truth.volumeL
  const restPa = saturationPa(truth.refrigerant, kelvin(truth.ambientC)) * Math.min(1, density / full)
  if (!engineOn || state.chargeG < 50) return { lowPa: restPa, highPa: restPa }
  const runningC = EVAPORATING_C - 14 * Math.max(0, 1 - state.chargeG / 400)
  return {
    lowPa: saturationPa(truth.refrigerant, kelvin(runningC)),
    highPa: saturationPa(truth.refrigerant, kelvin(Math.min(90, truth.ambientC + CONDENSING_ABOVE_K))),
  }
}

function containerFlowGS(state: BenchState, truth: BenchTruth, rig: RigState, container: BenchContainer): number {
  const open = rig['centre-hose'] === 'container' && rig['container-valve'] === 'open' && rig['valve-low'] === 'open' && rig['coupler-low'] === 'open'
  if (!open || container.grossG <= container.tareG) return 0
  // the last grams are vapour: its pressure falls with them, and they stay as the heel
  const vapourShare = Math.min(1, (container.grossG - container.tareG) / LAST_VAPOUR_G)
  const insidePa = saturationPa(truth.refrigerant, kelvin(truth.ambientC)) * vapourShare
  const { lowPa } = chargedPressures(state, truth, rig.engine === 'on')
  return CONTAINER_G_S_PA * Math.max(0, insidePa - lowPa)
}
