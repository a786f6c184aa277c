import { Stepper } from '../rig/stepper'
import type { Followed } from './ahead'
import { HORIZON_S, type PullAsked } from './asked'
import type { ChangeKind } from './changes'
import { type Explanation, rigOf } from './explanation'
import { TOLERANCE } from './fit'

/**
 * One change made now, and what it brings of what is left: s saved in the middle of the explanations, null where the
 * middle never gets there with it; and how many of them get there.
 */
export type Sooner = { kind: ChangeKind; savesS: number | null; reaches: number }

/** Explanations a change is tried on: enough for the middle (assumed). */
const TRIED = 20

/**
 * What could be done about a running pull now, priced by what may be true of it as its readings have weighed it: a wet
 * car gains by warmth, a wet oil by fresh oil, and neither of them by the other.
 * @param followed - every explanation that is kept
 */
export function soonerBy(asked: PullAsked, followed: readonly Followed[]): Sooner[] {
  const changes = asked.changes ?? []
  if (changes.length === 0 || followed.length === 0) return []
  const every = Math.max(1, followed.length / TRIED)
  const tried = Array.from(
    { length: Math.min(TRIED, followed.length) },
    (_, i) => followed[Math.floor(i * every)] as Followed,
  )
  const left = tried.map(({ e }) => {
    const now = new Stepper(rigOf(asked, e), TOLERANCE)
    now.advanceTo(asked.nowS)
    const same = new Stepper(rigOf(asked, e), TOLERANCE)
    same.continueFrom(now)
    return {
      asItIs: leftS(asked, same),
      changed: changes.map(({ kind, rig }) => leftS(asked, afterChange(asked, e, kind, rig, now))),
    }
  })
  return changes
    .map(({ kind }, c): Sooner => {
      const saved = left.map(({ asItIs, changed }) => asItIs - (changed[c] as number)).sort((a, b) => a - b)
      const there = left.filter(({ changed }) => (changed[c] as number) < HORIZON_S).length / left.length
      return { kind, savesS: there >= 0.5 ? (saved[saved.length >> 1] as number) : null, reaches: there }
    })
    .sort((a, b) => (b.savesS ?? -HORIZON_S) - (a.savesS ?? -HORIZON_S) || b.reaches - a.reaches)
}

/** The car as an explanation has it now, on the rig as it would be. */
function afterChange(asked: PullAsked, e: Explanation, kind: ChangeKind, rig: PullAsked['rig'], now: Stepper): Stepper {
  const then = new Stepper(rigOf({ ...asked, rig }, explainedThen(e, kind)), TOLERANCE)
  then.continueFrom(now)
  if (kind === 'fresh-oil') then.network.freshOil(then.y)
  then.begin()
  return then
}

/** A ballast that is opened is open, new hoses are of the kind one buys; a worn pump stays worn on fresh oil. */
function explainedThen(e: Explanation, kind: ChangeKind): Explanation {
  if (kind === 'ballast') return { ...e, ballast: true }
  return kind === 'half-inch-hoses' ? { ...e, otherHoses: false } : e
}

/** How long it still takes to the target, s; the horizon where it is not there by then. */
function leftS({ farNode, targetPa, nowS }: PullAsked, stepper: Stepper): number {
  const { network } = stepper
  const far = network.nodes.indexOf(farNode)
  const isThere = (y: Float64Array) => network.totalPa(y, far) <= targetPa
  if (isThere(stepper.y)) return 0
  const end = nowS + HORIZON_S
  while (stepper.t < end) {
    const h = stepper.step(end)
    if (isThere(stepper.y)) return stepper.t - nowS - h + h * crossing((share) => isThere(stepper.within(share, h)))
  }
  return HORIZON_S
}

/** Where within a step something begins to hold, halved down. */
function crossing(holds: (share: number) => boolean): number {
  let [low, high] = [0, 1]
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2
    if (holds(middle)) high = middle
    else low = middle
  }
  return high
}
const HALVINGS = 20
