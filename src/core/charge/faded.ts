import { molarMassKgMol, restPressurePa } from '../fluids/refrigerant'
import type { Refrigerant } from '../fluids/refrigerants'
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
  return `: about ${say.mass(kg * 1000)} more as vapour`
}

const BRIDGE = 'A switch is bridged only as a last step of diagnosis, by the service manual, and recorded.'

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
      headline: 'This container is empty.',
      sentence: 'This container is at its heel: what is left in it is vapour that stays.',
      next: 'Shut it, weigh it, and put the next one on.',
    }
  }
  const insidePa = restPressurePa(now.refrigerant, now.ambientC)
  if (!now.engineOn) {
    const equal = lowPa === undefined || lowPa > EQUAL_SHARE * insidePa
    return equal
      ? {
          kind: 'equal',
          headline: 'The flow stopped. Engine on.',
          sentence: `The pressures have met${lowPa === undefined ? '' : `: the car stands at ${gauge(lowPa)}`}.`,
          next: 'Engine on, cooling at maximum; the rest by the low side.',
        }
      : COLD
  }
  if (lowPa !== undefined && highPa !== undefined && highPa - lowPa < SIDES_APART_PA) {
    const switchPaG = now.switchPaG ?? SWITCH_PA_G
    if (lowPa - now.barometerPa < switchPaG) {
      return {
        kind: 'below-switch',
        headline: 'The compressor does not run.',
        sentence:
          `${gauge(lowPa)} in the car, its switch waits for ` +
          `${waitsFor(now.switchPaG, say)}${missing(lowPa, switchPaG, now)}.`,
        next: 'Let more in by the container’s own pressure: engine off, warm water, 50 °C (122 °F) at most.',
      }
    }
    return {
      kind: 'not-engaged',
      headline: 'The compressor does not run.',
      sentence: `Both sides stand near ${gauge(lowPa)} with the engine on.`,
      next: `Connector first, then the pressure switch and fuse; the charge last. ${BRIDGE}`,
    }
  }
  if (lowPa === undefined)
    return {
      kind: 'slow',
      headline: 'The flow has faded.',
      sentence: COLD.sentence,
      next: `${COLD.next} If the compressor does not run: connector first, then the switch. ${BRIDGE}`,
    }
  return COLD
}

const COLD: Faded = {
  kind: 'cold',
  headline: 'The container is cold.',
  sentence: 'The container has cooled itself by giving vapour.',
  next: 'Stand it in warm water, 50 °C (122 °F) at most, no flame; or wait.',
}

const waitsFor = (switchPaG: number | undefined, say: Say): string =>
  switchPaG === undefined ? `about ${say.pressure(SWITCH_PA_G)} (assumed)` : say.pressure(switchPaG)
