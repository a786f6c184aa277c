import { everySide, sidesOf } from '../job/sides'
import { chargedG, currentHold, type JobState, openContainer } from '../job/state'
import { STEP_NAMES, stepNumber } from '../job/steps'
import { W } from '../language/call/turns'
import type { Say } from '../units/say'
import { type Deed, set } from './types'

export type TurnTo = Extract<Deed, { kind: 'turned-back' }>['payload']['to']

/** A way back: where to, in the hand's words, and what it undoes; `bars` where something has to be done before. */
export type Turn = { to: TurnTo; label: string; undoes: string[]; bars?: string }

const LABELS: Record<TurnTo, string> = {
  zero: W.readItAtRestRecover,
  fix: W.openItAgainMend,
  rig: W.rigAnew,
  pull: W.pullAgain,
  charge: W.chargeAgain,
}

/**
 * Every way back from where a job stands, nearest first.
 * @param say - how figures are said to whoever reads
 */
export function turnsOf(state: JobState, say: Say): Turn[] {
  if (state.signed || state.closed) return []
  const insideG = chargedG(state)
  const here = stepNumber(state.step)
  const on = openContainer(state)
  const all: (Turn | false)[] = [
    state.proofs.length > 0 || state.step === 'leave'
      ? {
          to: 'charge',
          label: LABELS.charge,
          undoes: [W.whatIsInStaysIn],
        }
      : false,
    { to: 'pull', label: LABELS.pull, undoes: holdLeft(state), ...barred(state, insideG, say, 'pull') },
    { to: 'rig', label: LABELS.rig, undoes: holdLeft(state), ...barred(state, insideG, say, 'rig') },
    { to: 'fix', label: LABELS.fix, undoes: opened(state), ...barred(state, insideG, say, 'fix') },
    {
      to: 'zero',
      label: LABELS.zero,
      undoes: [
        ...(insideG > 0 ? [W.areInTheCarAnd(say.mass(insideG))] : []),
        ...(state.rig.engine === 'on' ? [W.engineOffWithItThe] : []),
        ...holdLeft(state),
      ],
      ...(on && { bars: W.isOnTheScaleShut(on.id) }),
    },
  ]
  return all.filter((turn): turn is Turn => turn !== false && stepNumber(turn.to) < here)
}

/** What keeps a hand from going there at once. */
function barred(state: JobState, insideG: number, say: Say, to: TurnTo): { bars?: string } {
  const open = openContainer(state)
  if (open) return { bars: W.isOnTheScaleShutIt(open.id) }
  if (insideG > 0) return { bars: W.areInTheCarThey(say.mass(insideG), STEP_NAMES.zero) }
  if (to === 'pull' && !everySide(state.rig, sidesOf(state.opened.rig), 'coupler', 'open'))
    return { bars: W.theCouplersAreNotOn(STEP_NAMES.rig) }
  return {}
}

function holdLeft(state: JobState): string[] {
  const hold = currentHold(state)
  return state.step === 'hold' && hold && !hold.ended ? [W.theHoldEndsHereUnjudged] : []
}

const opened = (state: JobState): string[] => (state.pulls.length > 0 ? [...holdLeft(state), W.theVacuumIsLostAir] : [])

/** The deed of a way back. */
export const turnBack = (to: TurnTo, why: string): Deed => ({ kind: 'turned-back', payload: { to, why } })

/** The same with what goes before it: nothing is read at rest, opened or pulled on while the engine runs. */
export const turnDeeds = ({ rig }: Pick<JobState, 'rig'>, to: TurnTo, why: string): Deed[] => [
  ...(rig.engine === 'on' && to !== 'charge' ? [set('engine', 'off')] : []),
  turnBack(to, why),
]
