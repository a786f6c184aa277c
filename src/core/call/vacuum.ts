import { carPressurePa } from '../board/car-pressure'
import { dewPointAtMostC } from '../fluids/water'
import { gaugeSeat, seatRead } from '../job/gauge-seat'
import { everySide, sidesOf, valveOf } from '../job/sides'
import { nitrogenPaG, stageAfter, stageNow, sweepDue } from '../job/stage-now'
import { currentPull, type JobState, shutIn } from '../job/state'
import type { AdviceKind } from '../pull/advice'
import { isStuck } from '../pull/advisor'
import { type ComeBack, comeBackAt } from '../pull/forecast'
import { vacuumLine, vacuumSeen } from '../readings/vacuum-seen'
import { chanceWords } from '../units/chance'
import { PA_PER_INHG } from '../units/constants'
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
  if (state.pulls.length === 0) return { plain: [], after: 'Then open both valves.' }
  const sweeps = state.sweeps.reduce((sum, s) => sum + s.passes, 0)
  return {
    plain: [
      {
        label: 'Log a nitrogen sweep',
        key: 'N',
        does: record({ kind: 'nitrogen-swept', payload: { passes: 1, pressurePaG: nitrogenPaG(state, SWEEP_PA) } }),
      },
    ],
    after:
      sweeps > 0
        ? `Sweeps so far: ${sweeps}. Let the nitrogen out first; then the pump, then both valves.`
        : 'Then open both valves.',
  }
}

/** How a pull ends: isolated for its hold, or shut off for the sweep that comes next. */
function ends(state: JobState, label: string): CallButton {
  if (stageAfter(state)?.kind !== 'sweep') return { label, key: 'I', does: record(finish('pull')) }
  const shut = sidesOf(state.opened.rig).map((side) => set(valveOf(side), 'closed'))
  return { label: 'Shut it off, sweep', key: 'I', does: record(...shut, set('pump', 'off')) }
}

/** Between two pulls of the procedure: dry nitrogen in and out again. */
function callSweep(
  state: JobState,
  { passes, paG, askedPaG }: NonNullable<ReturnType<typeof sweepDue>>,
  live: Live,
): Call {
  const say = sayOf(live)
  const limit = state.nitrogenLimitPaG
  const more = passes > 1 ? ` ${passes} times.` : ''
  return {
    sentence: `Let dry nitrogen in, to ${say.pressure(paG)}, and out again.${more}`,
    why: [
      ...(limit === undefined
        ? ['What this car’s label allows nobody has said yet: read it, and type it beside.']
        : paG < askedPaG
          ? [
              `The procedure asks for ${say.pressure(askedPaG)}; the label allows ${say.pressure(limit)}, and that counts.`,
            ]
          : [`The label allows ${say.pressure(limit)}.`]),
      'It takes water along that a pump alone leaves behind. The centre hose goes from the pump to the regulator.',
      'Let it out to the air of the room before the pump runs: a pump is broken by pressure.',
    ],
    watch: ['Through a regulator with a relief valve, never above the label’s limit; never oxygen, never shop air.'],
    action: {
      label: 'It is in and out again',
      key: 'N',
      does: record({ kind: 'nitrogen-swept', payload: { passes: 1, pressurePaG: paG } }),
    },
    plain: [{ label: 'Leave it out, isolate', key: 'I', does: record(finish('pull')) }],
    after:
      state.rig['centre-hose'] === 'pump'
        ? 'Then the hose back on the pump, pump on, valves open.'
        : 'Then the next pull.',
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
      sentence: 'Pump on.',
      why: [
        'The pump first, then the valves: otherwise its oil is drawn into the manifold.',
        'Cold oil pumps badly: a minute or two with the valves shut warms it.',
      ],
      watch: rig['centre-hose'] === 'pump' ? [] : ['The centre hose is not on the pump.'],
      action: {
        label: 'Pump is running',
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
      sentence: one ? 'Open the low valve.' : 'Open both valves.',
      why: [
        'The sound changes, mist leaves the exhaust: water and air, not smoke.',
        ...(one ? [THROUGH_THE_DEVICE] : []),
      ],
      watch: [],
      action: {
        label: one ? 'It is open' : 'Both valves are open',
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

/** A pull by the clock, or by a needle, which shows no target: it ends by its minutes, and proves what minutes prove. */
function callPullingByMinutes(state: JobState, live: Live, startedAt: string): Call {
  const say = sayOf(live)
  const { place, procedure } = state.opened
  const back = comeBack(state, live, startedAt)
  const over = live.nowMs >= back.atMs
  const next = readNext(state, live)
  const isolate = ends(state, over ? 'Isolate it' : 'Isolate now')
  const needle = seatRead(state.opened.rig, live.vacuumUnit) === 'needle'
  const board = { label: over ? 'Board' : 'To the board', key: 'G', does: { do: 'go', to: 'board' } } as const
  return {
    sure: SURE_BY[back.by],
    sentence: over
      ? `Its minutes are over. ${isolate.label}.`
      : next?.due
        ? needle
          ? 'Read the needle.'
          : 'Read the gauge.'
        : 'Leave it. Come back at',
    ...(over || next?.due ? {} : { figure: backFigure(back, live) }),
    why: [
      live.vacuumPa === undefined
        ? `No vacuum reading yet: type what the ${needle ? 'needle' : 'gauge'} shows.`
        : !needle
          ? `${say.vacuum(live.vacuumPa)} now.`
          : `The needle: ${vacuumLine(vacuumSeen(live.vacuumPa, 'needle', place.barometerPa, say.units.vacuum))}.`,
      ...(next ? [next.words] : []),
      needle
        ? `No needle shows ${say.vacuum(procedure.targetPa)}: the pull ends by its minutes.`
        : 'By this procedure the pull ends by its minutes, whatever the gauge shows.',
      ...(live.forecast
        ? [
            `By the story and this rig ${Math.round(100 * live.forecast.reaches)} of 100 such cars are down there ` +
              `within six hours${back.by === 'prediction' ? ', half of them by then' : ''}.`,
          ]
        : []),
    ],
    proves: {
      title: 'What these minutes prove',
      text: 'That the pump ran and nothing large is open. Neither that the target was reached nor that it is dry.',
    },
    watch: [],
    action: over ? isolate : next?.due ? TYPE_IT : board,
    plain: [over ? board : isolate, shutForOil(state)],
    after: 'Then shut both valves, then stop the pump.',
  }
}

/** A needle that hangs beside an electronic gauge is compared with it while both stand deep: its zero shows here. */
function needleBeside({ ownGauge, opened: { rig, place } }: JobState): string[] {
  if (ownGauge.gauge !== 'needle' || rig.gauge === 'needle') return []
  const inches = (place.barometerPa / PA_PER_INHG).toFixed(1)
  return [`Compare the needle beside it once: down here it should stand at ${inches} inHg; if not, its zero is off.`]
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
  if (share > TOLD_APART) return [`${shown} at the pump: the hoses hold next to nothing back.`]
  return [
    `${shown} at the pump: of the pump’s speed ${Math.round(share * 100)} % reaches the far end, hoses and cores hold the rest back.`,
  ]
}

/** From here on the likeliest explanation is said as it is. */
const LIKELY = 0.5

function callPulling(state: JobState, live: Live, startedAt: string): Call {
  const say = sayOf(live)
  const { targetPa } = state.opened.procedure
  const target = say.vacuumText(targetPa)
  const atPump = state.opened.rig.gaugeAt === 'pump'
  const carPa = carPressurePa(gaugeSeat(state.opened.rig), live.vacuumPa, live.pull?.far?.highPa)
  const minutes = Math.max(0, Math.round((live.nowMs - Date.parse(startedAt)) / 60_000))
  const proves = { title: `What ${target} will prove`, text: provesOf(targetPa, say) }
  if (carPa !== undefined && carPa <= targetPa) {
    return {
      sentence: `Deep enough. ${ends(state, 'Isolate it').label}.`,
      why: [
        `${say.vacuum(carPa)} at ${atPump ? 'the car at most, by what the pump’s end shows' : 'the gauge'}, the target is ${target}.`,
        `Pulled for ${minutes} min.`,
      ],
      proves,
      watch: [],
      action: ends(state, 'Isolate it'),
      plain: [{ label: 'Board', key: 'G', does: { do: 'go', to: 'board' } }],
      after: 'Valves first, then the pump.',
    }
  }
  const back = comeBack(state, live, startedAt)
  const next = readNext(state, live)
  const late = live.nowMs >= back.atMs
  const top = live.pull?.options[0]
  const likely = top && top.probability >= LIKELY ? top : undefined
  const stuck = likely !== undefined && isStuck(likely.kind)
  return {
    sure: likely ? `${STANDS[likely.kind]}, ${chanceWords(likely.probability)}` : SURE_BY[back.by],
    sentence: stuck
      ? likely.sentence
      : late
        ? 'Not at the target yet.'
        : next?.due
          ? 'Read the gauge.'
          : 'Leave it. Come back at',
    ...(late || stuck || next?.due ? {} : { figure: backFigure(back, live) }),
    why: [
      live.vacuumPa === undefined
        ? 'No vacuum reading yet: type what the gauge shows.'
        : `${say.vacuum(live.vacuumPa)} ${atPump ? 'at the pump ' : ''}now, the target is ${target}${atPump ? ' at the car' : ''}.`,
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
      ...(late && !likely
        ? ['Water still boiling, a leak, or the hoses: isolate it and let the hold tell.']
        : late
          ? []
          : ['It calls when the target is reached.']),
    ].filter((line) => line !== ''),
    proves,
    watch: atPump ? ['The gauge is at the pump: it reads ahead of the car as long as anything flows.'] : [],
    action:
      late || stuck
        ? ends(state, 'Isolate it all the same')
        : next?.due
          ? TYPE_IT
          : { label: 'To the board', key: 'G', does: { do: 'go', to: 'board' } },
    plain: [
      late || stuck ? { label: 'Board', key: 'G', does: { do: 'go', to: 'board' } } : ends(state, 'Isolate now'),
      shutForOil(state),
    ],
    after: 'Then shut both valves, then stop the pump.',
  }
}

const STANDS: Record<AdviceKind, string> = {
  'on-course': 'on course',
  boiling: 'water boiling',
  leak: 'stuck, a leak',
  hoses: 'stuck, the hoses',
  pump: 'stuck, the pump',
  ballast: 'held up by the ballast',
}

const SURE_BY: Record<ComeBack['by'], string> = {
  prediction: 'half of such pulls are there by then',
  minutes: 'by the procedure’s minutes',
}

/** When it gets there by what was read of it, and how sure it is that it does. */
function forecastWords({ forecast, clock }: Live): string[] {
  if (!forecast) return []
  const reaches = `${Math.round(100 * forecast.reaches)} of 100 such pulls get there within six hours`
  if (forecast.p50Ms === null || forecast.p50Ms <= forecast.atMs) return forecast.reaches < 1 ? [`${reaches}.`] : []
  const all = forecast.p90Ms === null ? reaches : `nine of ten by ${clock(forecast.p90Ms)}`
  return [`By its readings half of such pulls are at the target by ${clock(forecast.p50Ms)}, ${all}.`]
}

const comeBack = (state: JobState, live: Live, startedAt: string): ComeBack =>
  comeBackAt(Date.parse(startedAt) + state.opened.procedure.pullMinutes * 60_000, live.forecast)

function backFigure({ atMs, latestMs }: ComeBack, live: Live): NonNullable<Call['figure']> {
  const minutes = Math.max(1, Math.round((atMs - live.nowMs) / 60_000))
  const latest = latestMs === null ? '' : `; nine of ten by ${live.clock(latestMs)}`
  return { text: live.clock(atMs), caption: `in ${minutes} min${latest}` }
}

function predictedWords(live: Live): string {
  const left = live.pull?.toTargetS
  if (live.forecast || left === null || left === undefined || left <= 0) return ''
  return `As predicted: at the target about ${live.clock(live.nowMs + left * 1000)}.`
}

function provesOf(targetPa: number, say: Say): string {
  return (
    `Any water vapour left has a dew point of ${say.celsius(dewPointAtMostC(targetPa))} at most. ` +
    `It does not prove a tight car: the hold does.`
  )
}

const SKIP: Ask = {
  question: 'Why is there no hold?',
  kind: 'hold-skipped',
  judge: false,
  stay: 'Let it hold',
  go: 'Skip it',
  price:
    'Without a hold nothing is proved: no leak is ruled out, and whether it is dry nobody knows. The record says who skipped it and why.',
}

export function callIsolate(state: JobState): Call {
  const { rig } = state
  const sides = sidesOf(state.opened.rig)
  const isolated = (['low', 'high'] as const).every((side) => rig[valveOf(side)] === 'closed')
  const one = sides.length === 1
  if (!isolated || !shutIn(state)) {
    return {
      sentence: one ? 'Shut the valve, slowly.' : 'Shut both valves, slowly.',
      why: ['Pause half way: a ball valve shuts some gas in with it.', 'The pump keeps running until they are shut.'],
      watch: [],
      action: {
        label: one ? 'It is shut' : 'Both valves are shut',
        key: 'V',
        does: record(set('valve-low', 'closed'), set('valve-high', 'closed'), { kind: 'isolated', payload: {} }),
      },
      plain: [],
      after: 'Then stop the pump.',
    }
  }
  if (rig.pump === 'on') {
    return {
      sentence: 'Now stop the pump.',
      why: ['The valves hold the vacuum.'],
      watch: [],
      action: { label: 'Pump is off', key: 'P', does: record(set('pump', 'off')) },
      plain: [],
      after: 'Then the hose off the pump.',
    }
  }
  return {
    sentence: 'Hose off the pump.',
    why: ['Or open its inlet: no oil may creep up the hose.'],
    watch: [],
    action: { label: 'Hose is off', key: 'H', does: record(set('centre-hose', 'off'), finish('isolate')) },
    plain: [{ label: 'Skip the hold', key: 'K', does: { do: 'wait' }, ask: SKIP }],
    after: 'Then it holds by itself.',
  }
}
