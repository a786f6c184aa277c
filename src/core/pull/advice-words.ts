import { W } from '../language/pull/advice-words'
import { BALLAST_FLOOR_PA, GAS_CONSTANT, OIL_PA_PER_G, WATER_KG_MOL } from '../units/constants'
import type { Say } from '../units/say'
import { kelvin } from '../units/temperature'
import type { Advice, AdviceKind, PullLook } from './advice'
import type { Flow } from './flow'

type Facts = { look: PullLook; farPa: number; flow: Flow; toTargetS: number | null; say: Say }
type Words = Pick<Advice, 'sentence' | 'why' | 'next' | 'changesOil'>

const minutes = (s: number): string =>
  s >= 5400 ? `${(s / 3600).toFixed(1)} h` : W.min(Math.max(1, Math.round(s / 60)))

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
  const oil = forecast?.oil
  if (oil === undefined || OIL_PA_PER_G * oil.middleG < OIL_SHARE * targetPa) return undefined
  const [low, high] = [say.roughMass(oil.lowG), say.roughMass(oil.highG)]
  return {
    changesOil: true,
    sentence: W.thePumpsOilIsWet,
    why: W.ofWaterWentInto(
      low === high ? W.about(low) : W.between(low, high),
      say.vacuum(oil.reachesPa),
      say.vacuum(targetPa),
    ),
    next: W.changeItsOilBehindThe(
      say.vacuum(ultimatePa),
      ballastOpen ? W.keepTheBallastOpenWhile : W.theBallastOpenTenMinutes,
    ),
  }
}

const comesIn = (paM3S: number | null): string => (paM3S === null ? '' : W.byTheFlowBalancePa(paM3S.toExponential(0)))

/** One sentence, its reason and the next action for every way a pull may stand. */
export const ADVICE_WORDS: Record<AdviceKind, (facts: Facts) => Words> = {
  'on-course': ({ look, farPa, toTargetS, say }) => ({
    sentence: W.onCourse,
    why: W.liesWhereThisRigAnd(say.vacuum(farPa)),
    next:
      toTargetS === null
        ? W.thisRigDoesNotReach(say.vacuum(look.targetPa))
        : toTargetS === 0
          ? W.isolateIt
          : W.leaveItAboutMore(minutes(toTargetS)),
  }),
  boiling: ({ look, flow, say }) => {
    const perHour = flow.incomingPaM3S === null ? undefined : waterGramsPerHour(flow.incomingPaM3S, look.ambientC)
    const gone = carriedOffG(look, flow) ?? 0
    const left =
      perHour === undefined || perHour < 0.02
        ? ''
        : gone > look.waterMostG
          ? W.thatMakesAboutByNow(say.roughMass(gone), say.roughMass(look.waterMostG))
          : W.theMiddleOfWhatThe(say.roughMass(look.waterG), minutes((look.waterG / perHour) * 3600))
    const ballast = look.ballastOpen ? W.theBallastIsOpenAs : W.openTheBallastALittle
    return {
      sentence: W.waterIsBoilingOffAt,
      why: W.itHangsBetweenATenth(
        say.vacuum(look.waterBoilsPa),
        perHour ? W.andAboutAnHourCome(say.roughMass(perHour)) : '',
        left,
      ),
      next: W.keepGoingGentleHeatOn(ballast),
    }
  },
  leak: ({ flow }) => ({
    sentence: W.stuckSomethingLetsAirIn,
    why: W.itHasNotMovedFor(minutes(flow.flatS), comesIn(flow.incomingPaM3S)),
    next: W.snugTheCouplersAndHoses,
  }),
  hoses: ({ look, farPa, say }) => ({
    sentence: W.stuckThisRigGoesNo,
    why: W.isAboutWhatTheseHoses(say.vacuum(farPa), say.vacuum(look.targetPa)),
    next: W.coresOutLargerOrShorter,
  }),
  pump: ({ look, say }) =>
    wetOil(look, say) ?? {
      sentence: W.stuckPerhapsThePump,
      why: W.aPumpWithWetOr(say.vacuum(look.ultimatePa)),
      next: W.blankItOffCloseThe,
    },
  ballast: ({ look, say }) => ({
    sentence: W.theOpenBallastHoldsIt,
    why: W.aPumpWithItsBallast(say.vacuum(BALLAST_FLOOR_PA), say.vacuum(look.targetPa)),
    next: W.closeTheBallastOnceMost,
  }),
}
