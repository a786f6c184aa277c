import { dewPointAtMostC } from '../fluids/water'
import { currentPull, type JobState } from '../procedure/state'
import { PA_PER_MICRON } from '../units/constants'
import { type Call, finish, type Live, record, set } from './types'

export function callRig(state: JobState): Call {
  const { rig } = state
  const cautious = { watch: ['Hoses and sleeves clear of fan and belts.'], plain: [] }
  if (rig['valve-low'] !== 'closed' || rig['valve-high'] !== 'closed') {
    return {
      ...cautious,
      sentence: 'Close both manifold valves.',
      why: ['Clockwise closes a valve.', 'Do it before anything is snapped on.'],
      action: { label: 'Both valves are shut', key: 'V', does: record(set('valve-low', 'closed'), set('valve-high', 'closed')) },
      after: 'Then the couplers.',
    }
  }
  if (rig['coupler-low'] === 'off' || rig['coupler-high'] === 'off') {
    return {
      ...cautious,
      sentence: 'Snap both couplers on, closed.',
      why: ['Counter-clockwise closes a coupler: the opposite of a valve.', 'Snap on, tug. Port sizes differ, low and high cannot be swapped.'],
      action: { label: 'Both are on', key: 'C', does: record(set('coupler-low', 'on'), set('coupler-high', 'on')) },
      after: 'Then open them onto the cores.',
    }
  }
  if (rig['coupler-low'] !== 'open' || rig['coupler-high'] !== 'open') {
    return {
      ...cautious,
      sentence: 'Open the couplers.',
      why: ['Clockwise, until they press the core, and no further: bottomed out they bend it.'],
      action: { label: 'Both press the core', key: 'O', does: record(set('coupler-low', 'open'), set('coupler-high', 'open')) },
      after: 'Then the centre hose.',
    }
  }
  if (rig['centre-hose'] !== 'pump' || rig['exhaust-cap'] !== 'off') {
    return {
      ...cautious,
      sentence: 'Centre hose to the pump.',
      why: ['Finger tight, gasket looked at.', 'Pump level, oil between the marks, exhaust cap off, dry grounded cord.'],
      action: { label: 'Hose on, cap off', key: 'H', does: record(set('centre-hose', 'pump'), set('exhaust-cap', 'off')) },
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

export function callPull(state: JobState, live: Live): Call {
  const { rig, opened } = state
  const target = opened.procedure.targetMicron
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
      plain: [],
      after: 'Then open both valves.',
    }
  }
  if (rig['valve-low'] !== 'open' || rig['valve-high'] !== 'open' || !pull) {
    return {
      sentence: 'Open both valves.',
      why: ['The sound changes, mist leaves the exhaust: water and air, not smoke.'],
      watch: [],
      action: { label: 'Both valves are open', key: 'V', does: record(set('valve-low', 'open'), set('valve-high', 'open')) },
      plain: [],
    }
  }
  return callPulling(state, live, pull.startedAt, target)
}

function callPulling(state: JobState, live: Live, startedAt: string, target: number): Call {
  const micron = live.vacuumPa === undefined ? undefined : live.vacuumPa / PA_PER_MICRON
  const minutes = Math.max(0, Math.round((live.nowMs - Date.parse(startedAt)) / 60_000))
  const proves = { title: `What ${target.toLocaleString('en')} will prove`, text: provesOf(target) }
  const isolateNow = record(finish('pull'))
  if (micron !== undefined && micron <= target) {
    return {
      sentence: 'Deep enough. Isolate it.',
      why: [`${Math.round(micron).toLocaleString('en')} micron at the gauge, the target is ${target.toLocaleString('en')}.`, `Pulled for ${minutes} min.`],
      proves,
      watch: [],
      action: { label: 'Isolate it', key: 'I', does: isolateNow },
      plain: [{ label: 'Board', key: 'G', does: { do: 'go', to: 'board' } }],
      after: 'Valves first, then the pump.',
    }
  }
  const due = Date.parse(startedAt) + state.opened.procedure.pullMinutes * 60_000
  const late = live.nowMs >= due
  return {
    sure: 'by the procedure’s minutes',
    sentence: late ? 'Not at the target yet.' : 'Leave it. Come back at',
    ...(late ? {} : { figure: { text: live.clock(due), caption: `in ${Math.max(1, Math.round((due - live.nowMs) / 60_000))} min` } }),
    why: [
      micron === undefined
        ? 'No vacuum reading yet: type what the gauge shows.'
        : `${Math.round(micron).toLocaleString('en')} micron now, the target is ${target.toLocaleString('en')}.`,
      late ? 'Water still boiling, a leak, or the hoses: isolate it and let the hold tell.' : 'It calls when the target is reached.',
    ],
    proves,
    watch: [],
    action: late ? { label: 'Isolate it all the same', key: 'I', does: isolateNow } : { label: 'To the board', key: 'G', does: { do: 'go', to: 'board' } },
    plain: late ? [{ label: 'Board', key: 'G', does: { do: 'go', to: 'board' } }] : [{ label: 'Isolate now', key: 'I', does: isolateNow }],
    after: 'Then shut both valves, then stop the pump.',
  }
}

function provesOf(targetMicron: number): string {
  const dew = Math.round(dewPointAtMostC(targetMicron * PA_PER_MICRON))
  return `Any water vapour left has a dew point of ${String(dew).replace('-', '−')} °C at most. It does not prove a tight car: the hold does.`
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
    plain: [],
    after: 'Then it holds by itself.',
  }
}
