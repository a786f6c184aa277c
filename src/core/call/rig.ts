import { couplerOf, everySide, isWithoutManifold, sidesOf, valveOf } from '../job/sides'
import type { JobState } from '../job/state'
import { callHoses } from './hoses'
import { type Call, finish, type Live, record, set } from './types'

/** What one hose on one side leaves unproved. */
export const THROUGH_THE_DEVICE =
  'One side only: what lies behind the expansion device is pulled through it, slower, and the high side is not read.'

/** A car that was left standing with its couplers off gets them on again before its hold goes on. */
export const awaitsCouplers = (state: JobState): boolean =>
  state.stoodOff === true && !everySide(state.rig, sidesOf(state.opened.rig), 'coupler', 'open')

/** The rig goes on, in the order its own kind wants: what is there is asked for, nothing else. */
export function callRig(state: JobState, live: Live): Call {
  const { rig, opened } = state
  const sides = sidesOf(opened.rig)
  const one = sides.length === 1
  const tools = isWithoutManifold(opened.rig)
  const cautious = { watch: ['Hoses and sleeves clear of fan and belts.'], plain: [] }
  const open = (['low', 'high'] as const).filter((side) => rig[valveOf(side)] !== 'closed')
  // while the pump pulls on the hoses alone their valves are open
  if (open.length > 0 && rig.pump !== 'on') {
    return {
      ...cautious,
      sentence: tools ? 'Shut the tools’ valves.' : 'Close both manifold valves.',
      why: ['Clockwise closes a valve.', 'Do it before anything is pushed on.'],
      action: {
        label: 'Both valves are shut',
        key: 'V',
        does: record(set('valve-low', 'closed'), set('valve-high', 'closed')),
      },
      after: tools ? 'Then the tools on the ports.' : 'Then the couplers.',
    }
  }
  const hoses = callHoses(state, live)
  if (hoses) return hoses
  const off = sides.filter((side) => rig[couplerOf(side)] === 'off')
  if (off.length > 0) return { ...cautious, ...couplersOn(state, one, tools) }
  if (!everySide(rig, sides, 'coupler', 'open')) {
    return {
      ...cautious,
      sentence: one ? 'Open the coupler.' : 'Open the couplers.',
      why: ['Clockwise, until they press the core, and no further: bottomed out they bend it.'],
      action: {
        label: one ? 'It presses the core' : 'Both press the core',
        key: 'O',
        does: record(...sides.map((side) => set(couplerOf(side), 'open'))),
      },
      after: 'Then the centre hose.',
    }
  }
  if (opened.rig.cores === 'out' && rig.cores === 'in' && tools) {
    return {
      ...cautious,
      sentence: 'Cores out, through the tools.',
      why: [
        'The core is the narrowest place of the line: without it the same pump pulls several times as fast.',
        'Pull it back behind the tool’s valve, then shut that valve. Keep the cores clean, each with its port.',
      ],
      watch: ['Only on a system at zero: under pressure the core is a bullet.'],
      action: { label: 'Cores are out', key: 'C', does: record(set('cores', 'out')) },
      plain: [{ label: 'Leave them in', key: 'L', does: record(...hoseOn) }],
      after: 'Then the hose to the pump.',
    }
  }
  if (rig['centre-hose'] !== 'pump' || rig['exhaust-cap'] !== 'off') {
    return {
      ...cautious,
      sentence: tools ? 'Hoses to the pump.' : 'Centre hose to the pump.',
      why: [
        'Finger tight, gasket looked at. No hose of a recovery machine: its oil would come along.',
        'Pump level, oil between the marks, exhaust cap off, dry grounded cord.',
        ...(opened.rig.fourPort
          ? ['The container hangs on its own port from now on, its valve shut: its hose is evacuated along.']
          : []),
      ],
      action: { label: 'Hose on, cap off', key: 'H', does: record(...hoseOn) },
      after: 'Then pull.',
    }
  }
  return {
    ...cautious,
    sentence: 'Rigged. Pull.',
    why: [
      one
        ? 'Valve shut, coupler on the core, hose on the pump.'
        : 'Valves shut, couplers on the cores, hose on the pump.',
      ...(one ? [THROUGH_THE_DEVICE] : []),
    ],
    action: { label: 'Start the pull', key: 'P', does: record(finish('rig')) },
  }
}

const hoseOn = [set('centre-hose', 'pump'), set('exhaust-cap', 'off'), set('gauge-valve', 'open')]

function couplersOn(
  state: JobState,
  one: boolean,
  tools: boolean,
): Pick<Call, 'sentence' | 'why' | 'action' | 'after'> {
  const sides = sidesOf(state.opened.rig)
  const auto = state.opened.rig.couplers === 'auto'
  const on = sides.flatMap((side) => [
    set(couplerOf(side), 'on'),
    ...(auto || tools ? [set(couplerOf(side), 'open')] : []),
  ])
  if (tools)
    return {
      sentence: one ? 'Tool on the low port.' : 'Tools on both ports.',
      why: ['Screwed on by hand, valve shut, gasket seated: the tool now is the port.'],
      action: { label: one ? 'It is on' : 'Both are on', key: 'C', does: record(...on) },
      after: 'Then the cores.',
    }
  return {
    sentence: auto
      ? one
        ? 'Push the low coupler on.'
        : 'Push both couplers on.'
      : one
        ? 'Push the low coupler on, closed.'
        : 'Push both couplers on, closed.',
    why: auto
      ? ['These open by themselves: the valves must be shut before they go on. Push on, tug.']
      : [
          'Counter-clockwise closes a coupler: the opposite of a valve.',
          one
            ? 'Push on, tug. The high cap stays on.'
            : 'Push on, tug. Port sizes differ, low and high cannot be swapped.',
        ],
    action: { label: one ? 'It is on' : 'Both are on', key: 'C', does: record(...on) },
    after: auto ? 'Then the centre hose.' : 'Then open onto the core.',
  }
}
