import { GAS_CONSTANT, PA_PER_MICRON, WATER_KG_MOL } from '../units/constants'
import { kelvin } from '../units/temperature'
import type { AdviceKind, PullLook } from './advice'
import type { Flow } from './flow'

type Facts = { look: PullLook; farPa: number; flow: Flow; toTargetS: number | null }
type Words = { sentence: string; why: string; next: string }

/** One figure is all a flow balance bears. */
const roughly = (grams: number): string => String(Number(grams.toPrecision(1)))

const micron = (pa: number): string => Math.round(pa / PA_PER_MICRON).toLocaleString('en')
const minutes = (s: number): string =>
  s >= 5400 ? `${(s / 3600).toFixed(1)} h` : `${Math.max(1, Math.round(s / 60))} min`

/** Water the flow carries off, g an hour, if it is all water. */
export const waterGramsPerHour = (incomingPaM3S: number, ambientC: number): number =>
  ((incomingPaM3S * WATER_KG_MOL) / (GAS_CONSTANT * kelvin(ambientC))) * 3600 * 1000

/** Water carried off while it hung there, g, if all that came was water; undefined while the balance cannot be made. */
export const carriedOffG = (look: PullLook, flow: Flow): number | undefined =>
  flow.incomingPaM3S === null ? undefined : (waterGramsPerHour(flow.incomingPaM3S, look.ambientC) * flow.flatS) / 3600

/** One sentence, its reason and the next action for every way a pull may stand. */
export const ADVICE_WORDS: Record<AdviceKind, (facts: Facts) => Words> = {
  'on-course': ({ look, farPa, toTargetS }) => ({
    sentence: 'On course.',
    why: `${micron(farPa)} micron lies where this rig and this story were predicted.`,
    next:
      toTargetS === null
        ? `This rig does not reach ${micron(look.targetPa)} in the time planned: larger hoses, cores out, or a longer pull.`
        : toTargetS === 0
          ? 'Isolate it.'
          : `Leave it about ${minutes(toTargetS)} more.`,
  }),
  boiling: ({ look, flow }) => {
    const perHour = flow.incomingPaM3S === null ? undefined : waterGramsPerHour(flow.incomingPaM3S, look.ambientC)
    const gone = carriedOffG(look, flow) ?? 0
    const left =
      perHour === undefined || perHour < 0.02
        ? ''
        : gone > look.waterMostG
          ? ` That makes about ${roughly(gone)} g by now, more than the ${roughly(look.waterMostG)} g such a story has at most: wetter than told, or air comes in as well.`
          : ` The middle of what the story suggests, ${roughly(look.waterG)} g, takes ${minutes((look.waterG / perHour) * 3600)} at this rate.`
    return {
      sentence: 'Water is boiling off at the coldest place.',
      why: `It hangs between a tenth of the boiling line and the line, ${micron(look.waterBoilsPa)} micron${perHour ? `, and about ${roughly(perHour)} g an hour come off` : ''}.${left}`,
      next: `Keep going. ${look.ballastOpen ? 'The ballast is open, as it should be while it is wet' : 'Open the ballast a little while it is wet'}; gentle heat on the coldest part speeds it, a closed valve and a hold do not.`,
    }
  },
  leak: ({ flow }) => ({
    sentence: 'Stuck: something lets air in.',
    why: `It has not moved for ${minutes(flow.flatS)}${flow.incomingPaM3S === null ? '' : `; by the flow balance ${flow.incomingPaM3S.toExponential(0)} Pa m³/s or a few times that still come in`}. Water would sink slowly, this does not.`,
    next: 'Snug the couplers and hoses one by one and watch; then isolate it: a hold tells the car from the rig.',
  }),
  hoses: ({ look, farPa }) => ({
    sentence: 'Stuck: this rig goes no deeper.',
    why: `${micron(farPa)} micron is about what these hoses let the far side reach even dry and tight; the target is ${micron(look.targetPa)}.`,
    next: 'Cores out, larger or shorter hoses, no manifold; or take a target this rig can reach.',
  }),
  pump: ({ look }) => ({
    sentence: 'Stuck: perhaps the pump.',
    why: `A pump with wet or old oil stays above its own ${micron(look.ultimatePa)} micron.`,
    next: 'Blank it off: close the valves at the pump and read a gauge there. Above twice its ultimate it needs oil, not time.',
  }),
}
