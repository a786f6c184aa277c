import { hosesOnCar } from '../job/sides'
import { currentHold, type Hold, type JobState } from '../job/state'
import { hoseKindOf } from '../rig/compose'
import { OUTGASSING } from '../rig/outgassing'
import type { HoseBackground } from './hose-background'
import { lossOf } from './loss'
import { priorsOfStory } from './story-priors'
import type { HoldContext, HoldPriors, PreviousHold } from './types'

/** Chances that presume nothing: for whoever does not want the story to weigh in. */
export const EVEN_PRIORS: HoldPriors = { leak: 0.5, damp: 0.5 }

/**
 * The judge's context for a job's hold.
 * The isolated volume is the car with the hoses that stay on it; an earlier hold counts unless something was mended
 * since.
 * @param hold - which hold; the running one unless told
 * @param barometerRead - whether the barometer was read at both ends, so that the weather is taken out
 */
export function holdContext(
  state: JobState,
  plannedMinutes: number,
  hold = currentHold(state),
  barometerRead = false,
): HoldContext {
  const { rig, place, label, volumeL } = state.opened
  const inside = hosesOnCar(state.rig)
  const measured = inside ? rig.hoseBaselinePaM3S : undefined
  return {
    volumeL: volumeL + (inside ? hoseL(state) : 0),
    instrument: rig.gauge,
    resolutionPa: rig.resolutionPa,
    ambientC: place.ambientC,
    barometerPa: place.barometerPa,
    barometerRead,
    refrigerant: label.refrigerant,
    plannedS: plannedMinutes * 60,
    hosesIncluded: inside,
    hoseBaselinePaM3S: measured,
    hoses: inside ? hosesOf(state, hold) : undefined,
    priors: state.priors === 'even' ? EVEN_PRIORS : storyPriors(state),
    previous: hold && previousHold(state, hold),
  }
}

/** Chances from the story of the job: how long it was open, what it lost. */
export function storyPriors(state: JobState): HoldPriors {
  const { story, label } = state.opened
  const loss = lossOf(state)
  return priorsOfStory({
    openHours: story.opened === 'nothing' ? undefined : story.openHours,
    days: loss?.days,
    gramsLost: loss?.grams,
    chargeG: (label.lowG + label.highG) / 2,
  })
}

function hoseL({ opened: { rig } }: JobState): number {
  const litres = (boreM: number, lengthM: number) => (Math.PI / 4) * boreM ** 2 * lengthM * 1000
  const low = litres(rig.boreM, rig.lengthM)
  if (rig.hoses === 1) return low
  return low + (rig.highHose ? litres(rig.highHose.boreM, rig.highHose.lengthM) : low)
}

/**
 * The hoses between port and shut valve, by their kind (assumed from their bore); half of what a hose gives goes to the
 * car's end.
 */
function hosesOf(state: JobState, isolated: Hold | undefined): HoseBackground {
  const { rig } = state.opened
  const [first, steady] = OUTGASSING[hoseKindOf(rig)]
  const metres = (rig.lengthM * rig.hoses) / 2
  const pulled = state.pulls[0]
  const vacuumBeforeS =
    pulled && isolated ? Math.max(0, (Date.parse(isolated.isolatedAt) - Date.parse(pulled.startedAt)) / 1000) : 0
  return { atHourPaM3S: first * metres, steadyPaM3S: steady * metres, vacuumBeforeS }
}

/** The judged hold before this one, when the same car was only pulled in between: water shrinks, a leak does not. */
export function previousHold(state: JobState, hold: Hold): PreviousHold | undefined {
  const before = state.holds[state.holds.indexOf(hold) - 1]
  const ended = before?.ended
  if (!before || !ended || ended.verdict === 'invalid' || ended.risePaS === null) return undefined
  const [from, to] = [Date.parse(ended.at), Date.parse(hold.isolatedAt)]
  const mended = state.visits.some(
    (v) => v.step === 'fix' && Date.parse(v.startedAt) >= from && Date.parse(v.startedAt) <= to,
  )
  if (mended) return undefined
  const pulledS = state.pulls.reduce(
    (sum, p) => sum + overlapS(Date.parse(p.startedAt), p.endedAt ? Date.parse(p.endedAt) : to, from, to),
    0,
  )
  return { risePaS: ended.risePaS, leak: ended.leak, damp: ended.damp, pulledS, carried: ended.carried }
}

const overlapS = (a: number, b: number, from: number, to: number): number =>
  Math.max(0, Math.min(b, to) - Math.max(a, from)) / 1000
