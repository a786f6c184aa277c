import { couplerOf, everySide, isWithoutManifold, sidesOf, valveOf } from '../job/sides'
import type { JobState } from '../job/state'
import { W } from '../language/call/rig'
import { callHoses } from './hoses'
import { type Call, finish, type Live, record, set } from './types'

/** What one hose on one side leaves unproved. */
export const THROUGH_THE_DEVICE = W.oneSideOnlyWhatLies

/** A car that was left standing with its couplers off gets them on again before its hold goes on. */
export const awaitsCouplers = (state: JobState): boolean =>
  state.stoodOff === true && !everySide(state.rig, sidesOf(state.opened.rig), 'coupler', 'open')

/** The rig goes on, in the order its own kind wants: what is there is asked for, nothing else. */
export function callRig(state: JobState, live: Live): Call {
  const { rig, opened } = state
  const sides = sidesOf(opened.rig)
  const one = sides.length === 1
  const tools = isWithoutManifold(opened.rig)
  const cautious = { watch: [W.hosesAndSleevesClearOf], plain: [] }
  const open = (['low', 'high'] as const).filter((side) => rig[valveOf(side)] !== 'closed')
  // while the pump pulls on the hoses alone their valves are open
  if (open.length > 0 && rig.pump !== 'on') {
    return {
      ...cautious,
      sentence: tools ? W.shutTheToolsValves : W.closeBothManifoldValves,
      why: [W.clockwiseClosesAValve, W.doItBeforeAnythingIs],
      action: {
        label: W.bothValvesAreShut,
        key: 'V',
        does: record(set('valve-low', 'closed'), set('valve-high', 'closed')),
      },
      after: tools ? W.thenTheToolsOnThe : W.thenTheCouplers,
    }
  }
  const hoses = callHoses(state, live)
  if (hoses) return hoses
  const off = sides.filter((side) => rig[couplerOf(side)] === 'off')
  if (off.length > 0) return { ...cautious, ...couplersOn(state, one, tools) }
  if (!everySide(rig, sides, 'coupler', 'open')) {
    return {
      ...cautious,
      sentence: one ? W.openTheCoupler : W.openTheCouplers,
      why: [W.clockwiseUntilTheyPressThe],
      action: {
        label: one ? W.itPressesTheCore : W.bothPressTheCore,
        key: 'O',
        does: record(...sides.map((side) => set(couplerOf(side), 'open'))),
      },
      after: W.thenTheCentreHose,
    }
  }
  if (opened.rig.cores === 'out' && rig.cores === 'in' && tools) {
    return {
      ...cautious,
      sentence: W.coresOutThroughTheTools,
      why: [W.theCoreIsTheNarrowest, W.pullItBackBehindThe],
      watch: [W.onlyOnASystemAt],
      action: { label: W.coresAreOut, key: 'C', does: record(set('cores', 'out')) },
      plain: [{ label: W.leaveThemIn, key: 'L', does: record(...hoseOn) }],
      after: W.thenTheHoseToThe,
    }
  }
  if (rig['centre-hose'] !== 'pump' || rig['exhaust-cap'] !== 'off') {
    return {
      ...cautious,
      sentence: tools ? W.hosesToThePump : W.centreHoseToThePump,
      why: [
        W.fingerTightGasketLookedAt,
        W.pumpLevelOilBetweenThe,
        ...(opened.rig.fourPort ? [W.theContainerHangsOnIts] : []),
      ],
      action: { label: W.hoseOnCapOff, key: 'H', does: record(...hoseOn) },
      after: W.thenPull,
    }
  }
  return {
    ...cautious,
    sentence: W.riggedPull,
    why: [one ? W.valveShutCouplerOnThe : W.valvesShutCouplersOnThe, ...(one ? [THROUGH_THE_DEVICE] : [])],
    action: { label: W.startThePull, key: 'P', does: record(finish('rig')) },
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
      sentence: one ? W.toolOnTheLowPort : W.toolsOnBothPorts,
      why: [W.screwedOnByHandValve],
      action: { label: one ? W.itIsOn : W.bothAreOn, key: 'C', does: record(...on) },
      after: W.thenTheCores,
    }
  return {
    sentence: auto
      ? one
        ? W.pushTheLowCouplerOn
        : W.pushBothCouplersOn
      : one
        ? W.pushTheLowCouplerOnClosed
        : W.pushBothCouplersOnClosed,
    why: auto
      ? [W.theseOpenByThemselvesThe]
      : [W.counterClockwiseClosesACoupler, one ? W.pushOnTugTheHigh : W.pushOnTugPortSizes],
    action: { label: one ? W.itIsOn : W.bothAreOn, key: 'C', does: record(...on) },
    after: auto ? W.thenTheCentreHose : W.thenOpenOntoTheCore,
  }
}
