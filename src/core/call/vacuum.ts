import { carPressurePa } from '../board/car-pressure'
import { dewPointAtMostC } from '../fluids/water'
import { gaugeSeat, seatRead } from '../job/gauge-seat'
import { everySide, sidesOf, valveOf } from '../job/sides'
import { nitrogenPaG, stageAfter, stageNow, sweepDue } from '../job/stage-now'
import { currentPull, type JobState, shutIn } from '../job/state'
import { W } from '../language/call/vacuum'
import type { AdviceKind } from '../pull/advice'
import { isStuck } from '../pull/advisor'
import { type ComeBack, comeBackAt } from '../pull/forecast'
import { vacuumLine, vacuumSeen } from '../readings/vacuum-seen'
import { chanceWords } from '../units/chance'
import { MINUTE_MS, PA_PER_INHG } from '../units/constants'
import type { Say } from '../units/say'
import { callPumpOil, shutForOil } from './pump-oil'
import { readNext, TYPE_IT } from './read-next'
import { THROUGH_THE_DEVICE } from './rig'
import { type Ask, type Call, type CallButton, finish, type Live, record, sayOf, set } from './types'

/** A sweep is let in to a little above the air, Pa (assumed). */
const SWEEP_PA = 20_000

/**
 * Between two pulls dry nitrogen takes water along that a pump alone leaves behind; it is let out again before the pump
 * runs.
 */
function sweepOf(state: JobState): Pick<Call, 'plain' | 'after'> {
  if (state.pulls.length === 0) return { plain: [], after: W.thenOpenBothValves }
  const sweeps = state.sweeps.reduce((sum, s) => sum + s.passes, 0)
  return {
    plain: [
      {
        label: W.logANitrogenSweep,
        key: 'N',
        does: record({ kind: 'nitrogen-swept', payload: { passes: 1, pressurePaG: nitrogenPaG(state, SWEEP_PA) } }),
      },
    ],
    after: sweeps > 0 ? W.sweepsSoFarLetThe(sweeps) : W.thenOpenBothValves,
  }
}

/** How a pull ends: isolated for its hold, or shut off for the sweep that comes next. */
function ends(state: JobState, label: string): CallButton {
  if (stageAfter(state)?.kind !== 'sweep') return { label, key: 'I', does: record(finish('pull')) }
  const shut = sidesOf(state.opened.rig).map((side) => set(valveOf(side), 'closed'))
  return { label: W.shutItOffSweep, key: 'I', does: record(...shut, set('pump', 'off')) }
}

/** Between two pulls of the procedure: dry nitrogen in and out again. */
function callSweep(
  state: JobState,
  { passes, paG, askedPaG }: NonNullable<ReturnType<typeof sweepDue>>,
  live: Live,
): Call {
  const say = sayOf(live)
  const limit = state.nitrogenLimitPaG
  const more = passes > 1 ? W.times(passes) : ''
  return {
    sentence: W.letDryNitrogenInTo(say.pressure(paG), more),
    why: [
      ...(limit === undefined
        ? [W.whatThisCarsLabelAllows]
        : paG < askedPaG
          ? [W.theProcedureAsksForThe(say.pressure(askedPaG), say.pressure(limit))]
          : [W.theLabelAllows(say.pressure(limit))]),
      W.itTakesWaterAlongThat,
      W.letItOutToThe,
    ],
    watch: [W.throughARegulatorWithA],
    action: {
      label: W.itIsInAndOut,
      key: 'N',
      does: record({ kind: 'nitrogen-swept', payload: { passes: 1, pressurePaG: paG } }),
    },
    plain: [{ label: W.leaveItOutIsolate, key: 'I', does: record(finish('pull')) }],
    after: state.rig['centre-hose'] === 'pump' ? W.thenTheHoseBackOn : W.thenTheNextPull,
  }
}

export function callPull(state: JobState, live: Live): Call {
  const { rig } = state
  const pull = currentPull(state)
  if (state.oilOut) return callPumpOil(state)
  const sweep = sweepDue(state)
  if (sweep) return callSweep(state, sweep, live)
  if (rig.pump !== 'on') {
    return {
      sentence: W.pumpOn,
      why: [W.thePumpFirstThenThe, W.coldOilPumpsBadlyA],
      watch: rig['centre-hose'] === 'pump' ? [] : [W.theCentreHoseIsNot],
      action: {
        label: W.pumpIsRunning,
        key: 'P',
        does: record(...(rig['centre-hose'] === 'pump' ? [] : [set('centre-hose', 'pump')]), set('pump', 'on')),
      },
      ...sweepOf(state),
    }
  }
  const sides = sidesOf(state.opened.rig)
  if (!everySide(rig, sides, 'valve', 'open') || !pull) {
    const one = sides.length === 1
    return {
      sentence: one ? W.openTheLowValve : W.openBothValves,
      why: [W.theSoundChangesMistLeaves, ...(one ? [THROUGH_THE_DEVICE] : [])],
      watch: [],
      action: {
        label: one ? W.itIsOpen : W.bothValvesAreOpen,
        key: 'V',
        does: record(...sides.map((side) => set(valveOf(side), 'open'))),
      },
      plain: [],
    }
  }
  const stage = stageNow(state)
  const byMinutes = stage?.kind === 'pull' && stage.ends === 'minutes'
  return byMinutes || seatRead(state.opened.rig, live.vacuumUnit) === 'needle'
    ? callPullingByMinutes(state, live, pull.startedAt)
    : callPulling(state, live, pull.startedAt)
}

/**
 * A pull by the clock, or by a needle, which shows no target: it ends by its minutes, and proves what minutes prove.
 */
function callPullingByMinutes(state: JobState, live: Live, startedAt: string): Call {
  const say = sayOf(live)
  const { place, procedure } = state.opened
  const back = comeBack(state, live, startedAt)
  const over = live.nowMs >= back.atMs
  const next = readNext(state, live)
  const isolate = ends(state, over ? W.isolateIt : W.isolateNow)
  const needle = seatRead(state.opened.rig, live.vacuumUnit) === 'needle'
  const board = { label: over ? W.board : W.toTheBoard, key: 'G', does: { do: 'go', to: 'board' } } as const
  return {
    sure: SURE_BY[back.by],
    sentence: over
      ? W.itsMinutesAreOver(isolate.label)
      : next?.due
        ? needle
          ? W.readTheNeedle
          : W.readTheGauge
        : W.leaveItComeBackAt,
    ...(over || next?.due ? {} : { figure: backFigure(back, live) }),
    why: [
      live.vacuumPa === undefined
        ? W.noVacuumReadingYetType(needle ? W.needle : W.gauge)
        : !needle
          ? W.now(say.vacuum(live.vacuumPa))
          : W.theNeedle(vacuumLine(vacuumSeen(live.vacuumPa, 'needle', place.barometerPa, say.units.vacuum))),
      ...(next ? [next.words] : []),
      needle ? W.noNeedleShowsThePull(say.vacuum(procedure.targetPa)) : W.byThisProcedureThePull,
      ...(live.forecast
        ? [
            W.byTheStoryAndThis(
              Math.round(100 * live.forecast.reaches),
              back.by === 'prediction' ? W.halfOfThemByThen : '',
            ),
          ]
        : []),
    ],
    proves: {
      title: W.whatTheseMinutesProve,
      text: W.thatThePumpRanAnd,
    },
    watch: [],
    action: over ? isolate : next?.due ? TYPE_IT : board,
    plain: [over ? board : isolate, shutForOil(state)],
    after: W.thenShutBothValvesThen,
  }
}

/** A needle that hangs beside an electronic gauge is compared with it while both stand deep: its zero shows here. */
function needleBeside({ ownGauge, opened: { rig, place } }: JobState): string[] {
  if (ownGauge.gauge !== 'needle' || rig.gauge === 'needle') return []
  const inches = (place.barometerPa / PA_PER_INHG).toFixed(1)
  return [W.compareTheNeedleBesideIt(inches)]
}

/** Above this the gauges differ by their own errors more than by the hoses. */
const TOLD_APART = 0.9

/**
 * What two gauges on one car say of the hoses between them: the same gas passes both, so that speed times pressure is
 * the same at either end.
 */
function throttleWords(live: Live): string[] {
  const { pumpPa, vacuumPa } = live
  if (pumpPa === undefined || vacuumPa === undefined || vacuumPa <= 0) return []
  const share = pumpPa / vacuumPa
  const shown = sayOf(live).vacuum(pumpPa)
  if (share > TOLD_APART) return [W.atThePumpTheHoses(shown)]
  return [W.atThePumpOfThe(shown, Math.round(share * 100))]
}

/** From here on the likeliest explanation is said as it is. */
const LIKELY = 0.5

function callPulling(state: JobState, live: Live, startedAt: string): Call {
  const say = sayOf(live)
  const { targetPa } = state.opened.procedure
  const target = say.vacuumText(targetPa)
  const atPump = state.opened.rig.gaugeAt === 'pump'
  const carPa = carPressurePa(gaugeSeat(state.opened.rig), live.vacuumPa, live.pull?.far?.highPa)
  const minutes = Math.max(0, Math.round((live.nowMs - Date.parse(startedAt)) / MINUTE_MS))
  const proves = { title: W.whatWillProve(target), text: provesOf(targetPa, say) }
  if (carPa !== undefined && carPa <= targetPa) {
    return {
      sentence: W.deepEnough(ends(state, W.isolateIt).label),
      why: [
        W.atTheTargetIs(say.vacuum(carPa), atPump ? W.theCarAtMostBy : W.theGauge, target),
        W.pulledForMin(minutes),
      ],
      proves,
      watch: [],
      action: ends(state, W.isolateIt),
      plain: [{ label: W.board, key: 'G', does: { do: 'go', to: 'board' } }],
      after: W.valvesFirstThenThePump,
    }
  }
  const back = comeBack(state, live, startedAt)
  const next = readNext(state, live)
  const late = live.nowMs >= back.atMs
  const top = live.pull?.options[0]
  const likely = top && top.probability >= LIKELY ? top : undefined
  const stuck = likely !== undefined && isStuck(likely.kind)
  const byOil = likely?.changesOil === true
  const allTheSame = ends(state, W.isolateItAllTheSame)
  return {
    sure: likely ? `${STANDS[likely.kind]}, ${chanceWords(likely.probability)}` : SURE_BY[back.by],
    sentence: stuck ? likely.sentence : late ? W.notAtTheTargetYet : next?.due ? W.readTheGauge : W.leaveItComeBackAt,
    ...(late || stuck || next?.due ? {} : { figure: backFigure(back, live) }),
    why: [
      live.vacuumPa === undefined
        ? W.noVacuumReadingYetTypeWhat
        : W.nowTheTargetIs(say.vacuum(live.vacuumPa), atPump ? W.atThePump : '', target, atPump ? W.atTheCar : ''),
      ...(next ? [next.words] : []),
      ...throttleWords(live),
      ...needleBeside(state),
      ...forecastWords(live),
      ...(likely
        ? [
            likely.kind === 'on-course'
              ? predictedWords(live)
              : stuck
                ? likely.next
                : `${likely.sentence} ${likely.next}`,
          ]
        : []),
      ...(late && !likely ? [W.waterStillBoilingALeak] : late ? [] : [W.itCallsWhenTheTarget]),
    ].filter((line) => line !== ''),
    proves,
    watch: atPump ? [W.theGaugeIsAtThe] : [],
    action:
      late || stuck
        ? byOil
          ? shutForOil(state)
          : allTheSame
        : next?.due
          ? TYPE_IT
          : { label: W.toTheBoard, key: 'G', does: { do: 'go', to: 'board' } },
    plain: [
      late || stuck ? { label: W.board, key: 'G', does: { do: 'go', to: 'board' } } : ends(state, W.isolateNow),
      byOil ? allTheSame : shutForOil(state),
    ],
    after: W.thenShutBothValvesThen,
  }
}

const STANDS: Record<AdviceKind, string> = {
  'on-course': W.onCourse,
  boiling: W.waterBoiling,
  leak: W.stuckALeak,
  hoses: W.stuckTheHoses,
  pump: W.stuckThePump,
  ballast: W.heldUpByTheBallast,
}

const SURE_BY: Record<ComeBack['by'], string> = {
  prediction: W.halfOfSuchPullsAre,
  minutes: W.byTheProceduresMinutes,
}

/** When it gets there by what was read of it, and how sure it is that it does. */
function forecastWords({ forecast, clock }: Live): string[] {
  if (!forecast) return []
  const reaches = W.of100SuchPullsGet(Math.round(100 * forecast.reaches))
  if (forecast.p50Ms === null || forecast.p50Ms <= forecast.atMs) return forecast.reaches < 1 ? [`${reaches}.`] : []
  const all = forecast.p90Ms === null ? reaches : W.nineOfTenBy(clock(forecast.p90Ms))
  return [W.byItsReadingsHalfOf(clock(forecast.p50Ms), all)]
}

const comeBack = (state: JobState, live: Live, startedAt: string): ComeBack =>
  comeBackAt(Date.parse(startedAt) + state.opened.procedure.pullMinutes * MINUTE_MS, live.forecast)

function backFigure({ atMs, latestMs }: ComeBack, live: Live): NonNullable<Call['figure']> {
  const minutes = Math.max(1, Math.round((atMs - live.nowMs) / MINUTE_MS))
  const latest = latestMs === null ? '' : W.nineOfTenBy2(live.clock(latestMs))
  return { text: live.clock(atMs), caption: W.inMin(minutes, latest) }
}

function predictedWords(live: Live): string {
  const left = live.pull?.toTargetS
  if (live.forecast || left === null || left === undefined || left <= 0) return ''
  return W.asPredictedAtTheTarget(live.clock(live.nowMs + left * 1000))
}

function provesOf(targetPa: number, say: Say): string {
  return W.anyWaterVapourLeftHas(say.celsius(dewPointAtMostC(targetPa)))
}

const SKIP: Ask = {
  question: W.whyIsThereNoHold,
  kind: 'hold-skipped',
  judge: false,
  stay: W.letItHold,
  go: W.skipIt,
  price: W.withoutAHoldNothingIs,
}

export function callIsolate(state: JobState): Call {
  const { rig } = state
  const sides = sidesOf(state.opened.rig)
  const isolated = (['low', 'high'] as const).every((side) => rig[valveOf(side)] === 'closed')
  const one = sides.length === 1
  if (!isolated || !shutIn(state)) {
    return {
      sentence: one ? W.shutTheValveSlowly : W.shutBothValvesSlowly,
      why: [W.pauseHalfWayABall, W.thePumpKeepsRunningUntil],
      watch: [],
      action: {
        label: one ? W.itIsShut : W.bothValvesAreShut,
        key: 'V',
        does: record(set('valve-low', 'closed'), set('valve-high', 'closed'), { kind: 'isolated', payload: {} }),
      },
      plain: [],
      after: W.thenStopThePump,
    }
  }
  if (rig.pump === 'on') {
    return {
      sentence: W.nowStopThePump,
      why: [W.theValvesHoldTheVacuum],
      watch: [],
      action: { label: W.pumpIsOff, key: 'P', does: record(set('pump', 'off')) },
      plain: [],
      after: W.thenTheHoseOffThe,
    }
  }
  return {
    sentence: W.hoseOffThePump,
    why: [W.orOpenItsInletNo],
    watch: [],
    action: { label: W.hoseIsOff, key: 'H', does: record(set('centre-hose', 'off'), finish('isolate')) },
    plain: [{ label: W.skipTheHold, key: 'K', does: { do: 'wait' }, ask: SKIP }],
    after: W.thenItHoldsByItself,
  }
}
