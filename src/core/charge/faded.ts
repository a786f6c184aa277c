import { molarMassKgMol, restPressurePa } from '../fluids/refrigerant'
import type { Refrigerant } from '../fluids/refrigerants'
import { W } from '../language/charge/faded'
import { GAS_CONSTANT } from '../units/constants'
import { type Say, USUAL_SAY } from '../units/say'
import { kelvin } from '../units/temperature'

/** Why little leaves a container whose valves are open, and what to do. */
export type Faded = {
  kind: 'equal' | 'not-engaged' | 'below-switch' | 'empty' | 'cold' | 'slow'
  headline: string
  sentence: string
  next: string
}

/** Below this a flow has faded, g/min (assumed). */
export const FADED_G_MIN = 4
/**
 * The low-pressure switch lets the compressor run from about this, Pa above the air (assumed; the service manual has
 * the figure).
 */
export const SWITCH_PA_G = 200_000
/** A running compressor keeps the sides further apart than this, Pa (assumed). */
const SIDES_APART_PA = 150_000
/** A car whose pressure is this share of the warm container's takes nothing more by itself. */
const EQUAL_SHARE = 0.9
/** Grams above its heel at which a container has nothing more to give. */
const EMPTY_G = 6

/** Grams of vapour that raise the car to its switch, by the gas law; nothing where its volume is not known. */
function missing(
  lowPa: number,
  switchPaG: number,
  { volumeL, refrigerant, ambientC, barometerPa, say = USUAL_SAY }: Parameters<typeof fadedCause>[0],
): string {
  if (volumeL === undefined) return ''
  const shortPa = switchPaG + barometerPa - lowPa
  const kg = (shortPa * (volumeL / 1000) * molarMassKgMol(refrigerant)) / (GAS_CONSTANT * kelvin(ambientC))
  return W.aboutMoreAsVapour(say.mass(kg * 1000))
}

const BRIDGE = W.aSwitchIsBridgedOnly

/**
 * Tells a cold container from equal pressures, an empty one and a compressor that does not run.
 * @param lowPa - low side, Pa absolute; undefined when nothing measures it
 * @param highPa - high side, Pa absolute
 * @param aboveHeelG - what the container holds above its heel, g
 */
export function fadedCause(now: {
  engineOn: boolean
  lowPa: number | undefined
  highPa: number | undefined
  aboveHeelG: number
  refrigerant: Refrigerant
  ambientC: number
  barometerPa: number
  /** this car's own switch, Pa above the air; a usual one where nobody knows it */
  switchPaG?: number | undefined
  /** free volume of the car, L: for what is still missing to the switch */
  volumeL?: number | undefined
  say?: Say
}): Faded {
  const { lowPa, highPa, say = USUAL_SAY } = now
  const gauge = (pa: number) => say.pressure(pa - now.barometerPa)
  if (now.aboveHeelG < EMPTY_G) {
    return {
      kind: 'empty',
      headline: W.thisContainerIsEmpty,
      sentence: W.thisContainerIsAtIts,
      next: W.shutItWeighItAnd,
    }
  }
  const insidePa = restPressurePa(now.refrigerant, now.ambientC)
  if (!now.engineOn) {
    const equal = lowPa === undefined || lowPa > EQUAL_SHARE * insidePa
    return equal
      ? {
          kind: 'equal',
          headline: W.theFlowStoppedEngineOn,
          sentence: W.thePressuresHaveMet(lowPa === undefined ? '' : W.theCarStandsAt(gauge(lowPa))),
          next: W.engineOnCoolingAtMaximum,
        }
      : COLD
  }
  if (lowPa !== undefined && highPa !== undefined && highPa - lowPa < SIDES_APART_PA) {
    const switchPaG = now.switchPaG ?? SWITCH_PA_G
    if (lowPa - now.barometerPa < switchPaG) {
      return {
        kind: 'below-switch',
        headline: W.theCompressorDoesNotRun,
        sentence: W.inTheCarItsSwitch(gauge(lowPa), waitsFor(now.switchPaG, say), missing(lowPa, switchPaG, now)),
        next: W.letMoreInByThe,
      }
    }
    return {
      kind: 'not-engaged',
      headline: W.theCompressorDoesNotRun,
      sentence: W.bothSidesStandNearWith(gauge(lowPa)),
      next: W.connectorFirstThenThePressure(BRIDGE),
    }
  }
  if (lowPa === undefined)
    return {
      kind: 'slow',
      headline: W.theFlowHasFaded,
      sentence: COLD.sentence,
      next: W.ifTheCompressorDoesNot(COLD.next, BRIDGE),
    }
  return COLD
}

const COLD: Faded = {
  kind: 'cold',
  headline: W.theContainerIsCold,
  sentence: W.theContainerHasCooledItself,
  next: W.standItInWarmWater,
}

const waitsFor = (switchPaG: number | undefined, say: Say): string =>
  switchPaG === undefined ? W.aboutAssumed(say.pressure(SWITCH_PA_G)) : say.pressure(switchPaG)
