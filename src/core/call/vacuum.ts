import { carPressurePa } from '../board/car-pressure'
import { dewPointAtMostC } from '../fluids/water'
import { gaugeSeat, seatRead } from '../job/gauge-seat'
import { currentPull, type JobState } from '../job/state'
import type { AdviceKind } from '../pull/advice'
import { isStuck } from '../pull/advisor'
import { type ComeBack, comeBackAt } from '../pull/forecast'
import { vacuumLine, vacuumSeen } from '../readings/vacuum-seen'
import { chanceWords } from '../units/chance'
import { PA_PER_MICRON } from '../units/constants'
import { readNext, TYPE_IT } from './read-next'
import { type Ask, type Call, finish, type Live, record, set } from './types'

export function callRig(state: JobState): Call {
  const { rig } = state
  const cautious = { watch: ['Hoses and sleeves clear of fan and belts.'], plain: [] }
  if (rig['valve-low'] !== 'closed' || rig['valve-high'] !== 'closed') {
    return {
      ...cautious,
      sentence: 'Close both manifold valves.',
      why: ['Clockwise closes a valve.', 'Do it before anything is snapped on.'],
      action: {
        label: 'Both valves are shut',
        key: 'V',
        does: record(set('valve-low', 'closed'), set('valve-high', 'closed')),
      },
      after: 'Then the couplers.',
    }
  }
  if (rig['coupler-low'] === 'off' || rig['coupler-high'] === 'off') {
    return {
      ...cautious,
      sentence: 'Snap both couplers on, closed.',
      why: [
        'Counter-clockwise closes a coupler: the opposite of a valve.',
        'Snap on, tug. Port sizes differ, low and high cannot be swapped.',
      ],
      action: { label: 'Both are on', key: 'C', does: record(set('coupler-low', 'on'), set('coupler-high', 'on')) },
      after: 'Then open them onto the cores.',
    }
  }
  if (rig['coupler-low'] !== 'open' || rig['coupler-high'] !== 'open') {
    return {
      ...cautious,
      sentence: 'Open the couplers.',
      why: ['Clockwise, until they press the core, and no further: bottomed out they bend it.'],
      action: {
        label: 'Both press the core',
        key: 'O',
        does: record(set('coupler-low', 'open'), set('coupler-high', 'open')),
      },
      after: 'Then the centre hose.',
    }
  }
  if (rig['centre-hose'] !== 'pump' || rig['exhaust-cap'] !== 'off') {
    return {
      ...cautious,
      sentence: 'Centre hose to the pump.',
      why: [
        'Finger tight, gasket looked at.',
        'Pump level, oil between the marks, exhaust cap off, dry grounded cord.',
      ],
      action: {
        label: 'Hose on, cap off',
        key: 'H',
        does: record(set('centre-hose', 'pump'), set('exhaust-cap', 'off')),
      },
      after: 'Then pull.',
    }
  }
  return {
    ...cautious,
    sentence: 'Rigged. Pull.',
    why: ['Valves shut, couplers on the cores, hose on the pump.'],
    action: { label: 'Start the pull', key: 'P', does: record(finish('rig')) },
  }
}

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
        does: record({ kind: 'nitrogen-swept', payload: { passes: 1, pressurePaG: SWEEP_PA } }),
      },
    ],
    after:
      sweeps > 0
        ? `Sweeps so far: ${sweeps}. Let the nitrogen out first; then the pump, then both valves.`
        : 'Then open both valves.',
  }
}

export function callPull(state: JobState, live: Live): Call {
  const { rig, opened } = state
  const target = Math.round(opened.procedure.targetPa / PA_PER_MICRON)
  const pull = currentPull(state)
  if (rig.pump !== 'on') {
    return {
      sentence: 'Pump on.',
      why: ['The pump first, then the valves: otherwise its oil is drawn into the manifold.'],
      watch: rig['centre-hose'] === 'pump' ? [] : ['The centre hose is not on the pump.'],
      action: {
        label: 'Pump is running',
        key: 'P',
        does: record(...(rig['centre-hose'] === 'pump' ? [] : [set('centre-hose', 'pump')]), set('pump', 'on')),
      },
      ...sweepOf(state),
    }
  }
  if (rig['valve-low'] !== 'open' || rig['valve-high'] !== 'open' || !pull) {
    return {
      sentence: 'Open both valves.',
      why: ['The sound changes, mist leaves the exhaust: water and air, not smoke.'],
      watch: [],
      action: {
        label: 'Both valves are open',
        key: 'V',
        does: record(set('valve-low', 'open'), set('valve-high', 'open')),
      },
      plain: [],
    }
  }
  return seatRead(state.opened.rig, live.vacuumUnit) === 'needle'
    ? callPullingByNeedle(state, live, pull.startedAt, target)
    : callPulling(state, live, pull.startedAt, target)
}

/** A needle shows no target: its pull ends by the minutes, and proves what minutes prove. */
function callPullingByNeedle(state: JobState, live: Live, startedAt: string, target: number): Call {
  const back = comeBack(state, live, startedAt)
  const over = live.nowMs >= back.atMs
  const next = readNext(state, live)
  const isolate = { label: over ? 'Isolate it' : 'Isolate now', key: 'I', does: record(finish('pull')) }
  const board = { label: over ? 'Board' : 'To the board', key: 'G', does: { do: 'go', to: 'board' } } as const
  return {
    sure: SURE_BY[back.by],
    sentence: over ? 'Its minutes are over. Isolate it.' : next?.due ? 'Read the needle.' : 'Leave it. Come back at',
    ...(over || next?.due ? {} : { figure: backFigure(back, live) }),
    why: [
      live.vacuumPa === undefined
        ? 'No vacuum reading yet: type what the needle shows.'
        : `The needle: ${vacuumLine(vacuumSeen(live.vacuumPa, 'needle', state.opened.place.barometerPa))}.`,
      ...(next ? [next.words] : []),
      `No needle shows ${target.toLocaleString('en')} micron: the pull ends by its minutes.`,
      ...(live.forecast
        ? [
            `By the story and this rig ${Math.round(100 * live.forecast.reaches)} of 100 such cars are down there within six hours${back.by === 'prediction' ? ', half of them by then' : ''}.`,
          ]
        : []),
    ],
    proves: {
      title: 'What these minutes prove',
      text: 'That the pump ran and nothing large is open. Neither that the target was reached nor that it is dry.',
    },
    watch: [],
    action: over ? isolate : next?.due ? TYPE_IT : board,
    plain: [over ? board : isolate],
    after: 'Then shut both valves, then stop the pump.',
  }
}

/** Above this the gauges differ by their own errors more than by the hoses. */
const TOLD_APART = 0.9

/**
 * What two gauges on one car say of the hoses between them: the same gas passes both, so that speed times pressure is
 * the same at either end.
 */
function throttleWords({ pumpPa, vacuumPa }: Live): string[] {
  if (pumpPa === undefined || vacuumPa === undefined || vacuumPa <= 0) return []
  const share = pumpPa / vacuumPa
  const shown = Math.round(pumpPa / PA_PER_MICRON).toLocaleString('en')
  if (share > TOLD_APART) return [`${shown} at the pump: the hoses hold next to nothing back.`]
  return [
    `${shown} at the pump: of the pump’s speed ${Math.round(share * 100)} % reaches the far end, hoses and cores hold the rest back.`,
  ]
}

/** From here on the likeliest explanation is said as it is. */
const LIKELY = 0.5

function callPulling(state: JobState, live: Live, startedAt: string, target: number): Call {
  const atPump = state.opened.rig.gaugeAt === 'pump'
  const carPa = carPressurePa(gaugeSeat(state.opened.rig), live.vacuumPa, live.pull?.far?.highPa)
  const micron = carPa === undefined ? undefined : carPa / PA_PER_MICRON
  const shown = live.vacuumPa === undefined ? undefined : live.vacuumPa / PA_PER_MICRON
  const minutes = Math.max(0, Math.round((live.nowMs - Date.parse(startedAt)) / 60_000))
  const proves = { title: `What ${target.toLocaleString('en')} will prove`, text: provesOf(target) }
  const isolateNow = record(finish('pull'))
  if (micron !== undefined && micron <= target) {
    return {
      sentence: 'Deep enough. Isolate it.',
      why: [
        `${Math.round(micron).toLocaleString('en')} micron at ${atPump ? 'the car at most, by what the pump’s end shows' : 'the gauge'}, the target is ${target.toLocaleString('en')}.`,
        `Pulled for ${minutes} min.`,
      ],
      proves,
      watch: [],
      action: { label: 'Isolate it', key: 'I', does: isolateNow },
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
    sentence: stuck ? likely.sentence : late ? 'Not at the target yet.' : 'Leave it. Come back at',
    ...(late || stuck ? {} : { figure: backFigure(back, live) }),
    why: [
      shown === undefined
        ? 'No vacuum reading yet: type what the gauge shows.'
        : `${Math.round(shown).toLocaleString('en')} micron ${atPump ? 'at the pump ' : ''}now, the target is ${target.toLocaleString('en')}${atPump ? ' at the car' : ''}.`,
      ...(next ? [next.words] : []),
      ...throttleWords(live),
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
        ? { label: 'Isolate it all the same', key: 'I', does: isolateNow }
        : { label: 'To the board', key: 'G', does: { do: 'go', to: 'board' } },
    plain:
      late || stuck
        ? [{ label: 'Board', key: 'G', does: { do: 'go', to: 'board' } }]
        : [{ label: 'Isolate now', key: 'I', does: isolateNow }],
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

function provesOf(targetMicron: number): string {
  const dew = Math.round(dewPointAtMostC(targetMicron * PA_PER_MICRON))
  return `Any water vapour left has a dew point of ${String(dew).replace('-', '−')} °C at most. It does not prove a tight car: the hold does.`
}

const SKIP: Ask = {
  question: 'Why is there no hold?',
  kind: 'hold-skipped',
  judge: false,
  price:
    'Without a hold nothing is proved: no leak is ruled out, and whether it is dry nobody knows. The record says who skipped it and why.',
}

export function callIsolate(state: JobState): Call {
  const { rig } = state
  const isolated = rig['valve-low'] === 'closed' && rig['valve-high'] === 'closed'
  if (!isolated || state.holds.length < state.pulls.length) {
    return {
      sentence: 'Shut both valves, slowly.',
      why: ['Pause half way: a ball valve shuts some gas in with it.', 'The pump keeps running until they are shut.'],
      watch: [],
      action: {
        label: 'Both valves are shut',
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
