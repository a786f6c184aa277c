import { saturatedDensities, saturationPa } from '../fluids/refrigerant'
import type { Refrigerant } from '../fluids/refrigerants'
import type { RigState } from '../job/parts'
import { rigRead } from '../job/written'
import { type CarVolume, composeRig, farNode } from '../rig/compose'
import { evaporatorsOf } from '../rig/free-volume'
import type { RigFile } from '../rig/rig-file'
import { type SteadyCycle, steadyCycle } from '../rig/steady-cycle'
import { Stepper } from '../rig/stepper'
import { kelvin } from '../units/temperature'
import { BenchNitrogen } from './nitrogen'
import type { BenchTruth } from './truth'

/** A container on the simulated scale: gross weight and what it weighs empty, g. */
export type BenchContainer = { grossG: number; tareG: number }

/** Air through an open line at hard vacuum, Pa m3/s per Pa of air: it is back within seconds (assumed). */
const OPEN_LINE_M3_S = 0.01
/** Vapour leaves a container at this rate per pressure difference, g/(s Pa) (assumed: about 2 g/s into a vacuum). */
const CONTAINER_G_S_PA = 4e-6
/** A container without liquid holds about this much vapour at its saturation pressure, g (assumed, a 340 g can). */
const LAST_VAPOUR_G = 10
/** Liquid from an inverted container leaves so many times as fast as vapour (assumed). */
const LIQUID_TIMES = 6
/** Heat a container takes up per kelvin: contents and metal, J/K a gram, and the metal of a can, J/K (assumed). */
const CONTENTS_J_G_K = 1.4
const METAL_J_K = 60
/**
 * Heat it takes from what it stands in, W/K (assumed: a bowl of water at the hall's temperature; in still air it is a
 * tenth of this).
 */
const CONTAINER_UA_W_K = 20
/** Latent heat, J/g (model.md section 9). */
const LATENT_J_G: Record<Refrigerant, number> = { 'R-134a': 180, 'R-1234yf': 145 }
/**
 * Pressures follow a started or stopped engine, and the vent follows the evaporator, with these time constants, s
 * (assumed).
 */
const SIDES_LAG_S = 15
const VENT_LAG_S = 90
/** An early switch opens and closes at these shares of the way between running and resting low side (assumed). */
const OPENS_AT_SHARE = 0.25
const CLOSES_AT_SHARE = 0.75
/** A car's full charge by its volume unless told, g/L (assumed). */
const FULL_G_L = 160
/** Bore that is left of a bent core, mm (assumed). */
const BENT_CORE_MM = 0.5
/** A step of the bench is no longer than this, so that its curve between stays smooth, s. */
const LONGEST_STEP_S = 60

/** The simulated car on its rig: the network of `composeRig`, carried along second by second, and the charge in it. */
export class BenchCar {
  readonly truth: BenchTruth
  /** refrigerant in the car, g */
  chargeG = 0
  /** what a running engine has made of both sides and the vent by now */
  sides: { lowPa: number; highPa: number; ventC: number }
  /** the container's contents, Celsius: it cools as it gives vapour */
  containerC: number
  /** water the container stands in, Celsius; the hall's when nobody warmed it */
  bathC: number | undefined
  /** dry nitrogen that stands in the car; none outside a pressure test */
  nitrogen: BenchNitrogen | undefined
  private clutch = true
  private readonly stepper: Stepper
  private readonly far: number
  private readonly gaugeNode: number
  private readonly leaks: readonly { at: LeakAt; air: number }[]
  /** whole seconds played; the stepper may be ahead by up to a step */
  private clock = 0
  private stepS = 0
  /** air through every leak that is open now, at hard vacuum, Pa m3/s */
  private leaksNow = 0

  constructor(truth: BenchTruth, rig: RigState) {
    this.truth = truth
    const car = carOf(truth)
    this.leaks = [
      { at: 'high', air: truth.leakPaM3S },
      ...(truth.leaks ?? []).map((l) => ({ at: l.at, air: l.airPaM3S })),
    ]
    const file = benchRig(truth, car)
    const leaks = [
      { at: 'manifold', air_Pa_m3_s: 0 },
      ...this.leaks.map((l) => ({ at: nodeOf(l.at, car), air_Pa_m3_s: 0 })),
    ]
    this.stepper = new Stepper({ ...file, sources: { ...file.sources, leaks } })
    this.stepper.network.wetOil(this.stepper.y, truth.oilWaterG ?? 0)
    this.far = this.stepper.network.nodes.indexOf(farNode(car))
    this.gaugeNode = truth.rig?.gaugeAt === 'pump' ? this.stepper.network.nodes.indexOf('pump') : this.far
    this.containerC = truth.ambientC
    this.sides = { lowPa: truth.barometerPa, highPa: truth.barometerPa, ventC: truth.ambientC }
    this.turn(rig)
  }

  /** Total pressure at the farthest place, Pa absolute, while there is no charge. */
  get farPa(): number {
    return this.pressureAt(this.far)
  }

  /** Total pressure where the rig's vacuum gauge sits, Pa absolute: at the farthest place, or wrongly at the pump. */
  get gaugePa(): number {
    return this.pressureAt(this.gaugeNode)
  }

  private pressureAt(node: number): number {
    const { network, t, y } = this.stepper
    return network.totalPa(
      t > this.clock ? this.stepper.within(1 - (t - this.clock) / this.stepS, this.stepS) : y,
      node,
    )
  }

  /** Sets every valve and the pump to what the hands have done. */
  turn(rig: RigState): void {
    if (this.stepper.t > this.clock) this.stepper.rewind(this.clock, this.stepS)
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
    const open = this.leaks.map((leak) => (isSealed(leak.at, rig) ? 0 : leak.air))
    for (const [i, air] of open.entries()) network.setLeak(i + 1, air)
    this.leaksNow = open.reduce((sum, air) => sum + air, 0)
    this.stepper.begin()
  }

  /** One second on; what leaves an open container is in the car then, and is returned, g. */
  second(rig: RigState, container?: BenchContainer): number {
    this.clock++
    if (this.nitrogen) this.nitrogen.second(this.leaksNow)
    else if (this.chargeG === 0)
      while (this.stepper.t < this.clock) this.stepS = this.stepper.step(this.stepper.t + LONGEST_STEP_S)
    this.settleSides(rig.engine === 'on')
    const takenG = container ? this.containerFlowGS(rig, container) : 0
    this.warmContainer(takenG, rig['container-pose'] === 'inverted', container)
    this.chargeG += takenG
    return takenG
  }

  letNitrogenIn(paG: number): void {
    const { volumeL, ambientC, barometerPa } = this.truth
    this.nitrogen = new BenchNitrogen({ volumeL, ambientC, barometerPa }, paG)
  }

  /** What both sides and the vent tend to, at rest or with the engine running. */
  private cycle(engineOn: boolean): SteadyCycle {
    const { refrigerant, ambientC, volumeL, humidity, fullG, pressureSwitch, blocked } = this.truth
    const full = saturatedDensities(refrigerant, ambientC).vapourKgM3
    const restPa = Math.max(
      this.farPa,
      saturationPa(refrigerant, kelvin(ambientC)) * Math.min(1, this.chargeG / volumeL / full),
    )
    if (!engineOn) return { engaged: false, lowPa: restPa, highPa: restPa, ventC: ambientC }
    const chargeShare = this.chargeG / (fullG ?? FULL_G_L * volumeL)
    return steadyCycle({
      refrigerant,
      ambientC,
      humidity: humidity ?? 0.5,
      chargeShare,
      restPa,
      switchGood: pressureSwitch !== 'unplugged',
      ...(blocked !== undefined && { blocked }),
    })
  }

  /**
   * A switch that opens early lets the compressor run only until the low side has fallen, and again when it has risen.
   */
  private cycled(engineOn: boolean): SteadyCycle {
    const running = this.cycle(engineOn)
    if (this.truth.pressureSwitch !== 'early' || !running.engaged) return running
    const resting = this.cycle(false)
    const share = (this.sides.lowPa - running.lowPa) / Math.max(1, resting.lowPa - running.lowPa)
    if (share < OPENS_AT_SHARE) this.clutch = false
    else if (share > CLOSES_AT_SHARE) this.clutch = true
    return this.clutch ? running : resting
  }

  private settleSides(engineOn: boolean): void {
    if (this.nitrogen) {
      const pa = this.nitrogen.pressurePa
      this.sides = { lowPa: pa, highPa: pa, ventC: this.truth.ambientC }
      return
    }
    const goal = this.cycled(engineOn)
    // before the engine ever ran both sides are simply at rest
    const share = this.chargeG === 0 ? 1 : 1 - Math.exp(-1 / SIDES_LAG_S)
    this.sides.lowPa += (goal.lowPa - this.sides.lowPa) * share
    this.sides.highPa += (goal.highPa - this.sides.highPa) * share
    this.sides.ventC += (goal.ventC - this.sides.ventC) * (1 - Math.exp(-1 / VENT_LAG_S))
  }

  private warmContainer(takenG: number, liquid: boolean, container?: BenchContainer): void {
    if (!container) {
      this.containerC = this.truth.ambientC
      return
    }
    const heat = Math.max(0, container.grossG - container.tareG) * CONTENTS_J_G_K + METAL_J_K
    this.containerC +=
      (CONTAINER_UA_W_K * ((this.bathC ?? this.truth.ambientC) - this.containerC) -
        (liquid ? 0 : LATENT_J_G[this.truth.refrigerant] * takenG)) /
      heat
  }

  private containerFlowGS(rig: RigState, container: BenchContainer): number {
    const low = rig['valve-low'] === 'open' && rig['coupler-low'] === 'open'
    const high = rig['valve-high'] === 'open' && rig['coupler-high'] === 'open'
    if (
      rig['centre-hose'] !== 'container' ||
      rig['container-valve'] !== 'open' ||
      !(low || high) ||
      container.grossG <= container.tareG
    )
      return 0
    // the last grams are vapour: its pressure falls with them, and they stay as the heel
    const vapourShare = Math.min(1, (container.grossG - container.tareG) / LAST_VAPOUR_G)
    const insidePa = saturationPa(this.truth.refrigerant, kelvin(Math.max(-39, this.containerC))) * vapourShare
    const behindPa = low ? this.sides.lowPa : this.sides.highPa
    return (
      CONTAINER_G_S_PA * (rig['container-pose'] === 'inverted' ? LIQUID_TIMES : 1) * Math.max(0, insidePa - behindPa)
    )
  }
}

type LeakAt = NonNullable<BenchTruth['leaks']>[number]['at']

const carOf = (truth: BenchTruth): CarVolume => ({
  volumeL: truth.volumeL,
  evaporators: evaporatorsOf(truth.volumeL),
})

/** A core under its coupler cannot leak: the coupler seals it. */
const isSealed = (at: LeakAt, rig: RigState): boolean =>
  (at === 'core-low' && rig['coupler-low'] !== 'off') || (at === 'core-high' && rig['coupler-high'] !== 'off')

function nodeOf(at: LeakAt, car: CarVolume): string {
  if (at === 'core-low') return 'low'
  if (at === 'core-high') return 'high'
  if (at === 'hose') return 'port-low'
  return at === 'rear' ? farNode(car) : at
}

/** The rig file of a bench: the composed one, with old hoses, bent cores and places of water as they really are. */
function benchRig(truth: BenchTruth, car: CarVolume): RigFile {
  const { boreMm, lengthM, hoses } = truth.line
  const plain = {
    name: 'bench',
    boreMm,
    lengthM,
    hoses,
    pumpCfm: truth.pumpCfm,
    ultimateMicron: truth.ultimateMicron,
    gauge: 'electronic' as const,
    scaleStepG: 1,
  }
  const composed = composeRig({
    car,
    rig: rigRead({ ...plain, ...truth.rig, ...(truth.core === 'in' && { cores: 'in' as const }) }),
    ambientC: truth.ambientC,
    barometerPa: truth.barometerPa,
    water: { liquidG: truth.waterG, boundG: truth.boundG },
    options: { coresOut: truth.core === 'out' },
  })
  const links = composed.links.map((link) => {
    const kind = link.kind !== 'metal' && truth.hoseKind ? truth.hoseKind : link.kind
    return truth.core === 'bent' && link.id.startsWith('core-')
      ? { ...link, kind, bore_mm: BENT_CORE_MM, length_m: 0.015 }
      : { ...link, kind }
  })
  const wetPlace = truth.waterAt === undefined || truth.waterAt === 'rear' ? farNode(car) : truth.waterAt
  const sources = {
    ...composed.sources,
    water: composed.sources.water.map((w) => ({ ...w, at: wetPlace })),
    bound: composed.sources.bound.map((b) => ({ ...b, tau_s: truth.boundTauS ?? b.tau_s })),
  }
  const humid = truth.humidity === undefined ? {} : { start: { ...composed.start, relative_humidity: truth.humidity } }
  return { ...composed, links, sources, ...humid }
}
