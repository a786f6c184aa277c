import { BALLAST_FLOOR_PA, GAS_CONSTANT, OIL_PA_PER_G, WATER_KG_MOL } from '../units/constants'
import type { Say } from '../units/say'
import { kelvin } from '../units/temperature'
import type { AdviceKind, PullLook } from './advice'
import type { Flow } from './flow'

type Facts = { look: PullLook; farPa: number; flow: Flow; toTargetS: number | null; say: Say }
type Words = { sentence: string; why: string; next: string }

const minutes = (s: number): string =>
  s >= 5400 ? `${(s / 3600).toFixed(1)} h` : `${Math.max(1, Math.round(s / 60))} min`

/** Water the flow carries off, g an hour, if it is all water. */
export const waterGramsPerHour = (incomingPaM3S: number, ambientC: number): number =>
  ((incomingPaM3S * WATER_KG_MOL) / (GAS_CONSTANT * kelvin(ambientC))) * 3600 * 1000

/** Water carried off while it hung there, g, if all that came was water; undefined while the balance cannot be made. */
export const carriedOffG = (look: PullLook, flow: Flow): number | undefined =>
  flow.incomingPaM3S === null ? undefined : (waterGramsPerHour(flow.incomingPaM3S, look.ambientC) * flow.flatS) / 3600

/** Wet oil is named from here on: what it adds to the pump's floor, against the target. */
const OIL_SHARE = 0.2

/** What the oil took from this car, where that is enough to hold the pump up; undefined where it is not. */
function wetOil({ forecast, targetPa, ultimatePa, ballastOpen }: PullLook, say: Say): Words | undefined {
  const addsPa = OIL_PA_PER_G * (forecast?.oilG ?? 0)
  if (forecast === undefined || addsPa < OIL_SHARE * targetPa) return undefined
  return {
    sentence: 'The pump’s oil is wet.',
    why:
      `About ${say.roughMass(forecast.oilG)} of water went into it from this car; with that it stays above about ` +
      `${say.vacuum(ultimatePa + addsPa)}, the target is ${say.vacuum(targetPa)}.`,
    next:
      `Change its oil behind the shut valve at the pump, warm: then it reaches about ${say.vacuum(ultimatePa)} ` +
      `again. ${ballastOpen ? 'Keep the ballast open while water comes' : 'The ballast open ten minutes keeps more water out of it'}; ` +
      `what has gathered stays until the oil is changed.`,
  }
}

const comesIn = (paM3S: number | null): string =>
  paM3S === null ? '' : `; by the flow balance ${paM3S.toExponential(0)} Pa m³/s or a few times that still come in`

/** One sentence, its reason and the next action for every way a pull may stand. */
export const ADVICE_WORDS: Record<AdviceKind, (facts: Facts) => Words> = {
  'on-course': ({ look, farPa, toTargetS, say }) => ({
    sentence: 'On course.',
    why: `${say.vacuum(farPa)} lies where this rig and this story were predicted.`,
    next:
      toTargetS === null
        ? `This rig does not reach ${say.vacuum(look.targetPa)} in the time planned: larger hoses, cores out, or a longer pull.`
        : toTargetS === 0
          ? 'Isolate it.'
          : `Leave it about ${minutes(toTargetS)} more.`,
  }),
  boiling: ({ look, flow, say }) => {
    const perHour = flow.incomingPaM3S === null ? undefined : waterGramsPerHour(flow.incomingPaM3S, look.ambientC)
    const gone = carriedOffG(look, flow) ?? 0
    const left =
      perHour === undefined || perHour < 0.02
        ? ''
        : gone > look.waterMostG
          ? ` That makes about ${say.roughMass(gone)} by now, more than the ${say.roughMass(look.waterMostG)} such ` +
            `a story has at most: wetter than told, or air comes in as well.`
          : ` The middle of what the story suggests, ${say.roughMass(look.waterG)}, ` +
            `takes ${minutes((look.waterG / perHour) * 3600)} at this rate.`
    const ballast = look.ballastOpen
      ? 'The ballast is open, as it should be while it is wet'
      : 'Open the ballast a little while it is wet'
    return {
      sentence: 'Water is boiling off at the coldest place.',
      why:
        `It hangs between a tenth of the boiling line and the line, ` +
        `${say.vacuum(look.waterBoilsPa)}${perHour ? `, and about ${say.roughMass(perHour)} an hour come off` : ''}.${left}`,
      next: `Keep going. ${ballast}; gentle heat on the coldest part speeds it, a closed valve and a hold do not.`,
    }
  },
  leak: ({ flow }) => ({
    sentence: 'Stuck: something lets air in.',
    why:
      `It has not moved for ${minutes(flow.flatS)}${comesIn(flow.incomingPaM3S)}. ` +
      `Water would sink slowly, this does not.`,
    next: 'Snug the couplers and hoses one by one and watch; then isolate it: a hold tells the car from the rig.',
  }),
  hoses: ({ look, farPa, say }) => ({
    sentence: 'Stuck: this rig goes no deeper.',
    why:
      `${say.vacuum(farPa)} is about what these hoses let the far side reach even dry and tight; ` +
      `the target is ${say.vacuum(look.targetPa)}.`,
    next: 'Cores out, larger or shorter hoses, no manifold; or take a target this rig can reach.',
  }),
  pump: ({ look, say }) =>
    wetOil(look, say) ?? {
      sentence: 'Stuck: perhaps the pump.',
      why: `A pump with wet or old oil stays above its own ${say.vacuum(look.ultimatePa)}.`,
      next: 'Blank it off: close the valves at the pump and read a gauge there. Above twice its ultimate it needs oil, not time.',
    },
  ballast: ({ look, say }) => ({
    sentence: 'The open ballast holds it up.',
    why:
      `A pump with its ballast open goes no deeper than about ${say.vacuum(BALLAST_FLOOR_PA)}; ` +
      `the target is ${say.vacuum(look.targetPa)}.`,
    next: 'Close the ballast once most of the water is off.',
  }),
}
