import { labelTargetG, toleranceG } from '../charge/plan-for-job'
import { cansGive, countAgainst } from '../charge/unweighed'
import { withinTablesC } from '../fluids/refrigerant'
import { valveOf } from '../job/sides'
import type { JobState } from '../job/state'
import { W } from '../language/call/charge-counted'
import type { Say } from '../units/say'
import { turnDeeds } from './turns'
import { type Call, type Deed, finish, record, set } from './types'

type Counted = NonNullable<JobState['counted']>

/** What would make a part of a can knowable. */
export const KNOWABLE = W.aPartOfACan

/** What so many whole cans come to against the label, in a sentence. */
export function countWords(state: JobState, count: number, netG: number, say: Say): string {
  const { label, place } = state.opened
  const gives = cansGive(count, netG, label.refrigerant, withinTablesC(place.ambientC))
  const band =
    W.wholeAbout(count, count === 1 ? W.canBrings : W.cansBring, say.mass(gives.middleG)) +
    W.betweenAnd(say.massText(gives.lowG), say.mass(gives.highG))
  const [target, allows] = [labelTargetG(state), toleranceG(state)]
  const asks = W.theLabelAsksFor(say.mass(target), say.mass(allows))
  return {
    lands: W.itLands(band, asks),
    'may-miss': W.itMayMissItAnd(band, asks),
    short: W.tooLittleForCertain(band, asks, KNOWABLE),
    over: W.tooMuchForCertain(band, asks, KNOWABLE),
  }[countAgainst(gives, target, allows)]
}

/** The estimate of one can that was emptied, as its deed keeps it. */
export function canEmptied(state: JobState, { netG }: Pick<Counted, 'netG'>): Deed {
  const { label, place } = state.opened
  const { middleG, lowG, highG } = cansGive(1, netG, label.refrigerant, withinTablesC(place.ambientC))
  return {
    kind: 'can-emptied',
    payload: { netG, estimateG: middleG, plusMinusG: Math.max(highG - middleG, middleG - lowG) },
  }
}

/** The charge where nothing is weighed: whole cans, one after the other, each until it is empty. */
export function callCounted(state: JobState, counted: Counted, say: Say): Call {
  const { rig } = state
  const done = counted.emptied.length
  if (done >= counted.count) return callCountedFull(state, counted, say)
  const name = W.canOf(done + 1, counted.count)
  const low = valveOf('low')
  if (rig['container-valve'] !== 'open' || rig[low] !== 'open') {
    return {
      sentence: W.onPurgeThenOpen(name),
      why: [
        W.theTapsNeedleBackedOut,
        W.aShortHissAtThe,
        done === 0 && rig.engine === 'off' ? W.intoTheVacuumFirstEngine : W.lowSideOnlyVapourUpright,
      ],
      watch: [W.highSideStaysShutWhile, W.eyeProtectionAndGlovesOn],
      action: {
        label: W.itIsOpen,
        key: 'O',
        does: record(
          set('centre-hose', 'container'),
          set('gauge-valve', 'closed'),
          set('container-valve', 'open'),
          set(low, 'open'),
        ),
      },
      plain: [],
      after: W.thenUntilItIsEmpty,
    }
  }
  return {
    sentence: W.untilItIsEmpty(name),
    why: [...(rig.engine === 'off' ? [W.theFlowStopsWhenThe] : []), W.emptyIsLightNoLonger, KNOWABLE],
    watch: [W.highSideStaysShutWhile],
    action: {
      label: W.canIsEmpty(done + 1),
      key: 'E',
      does: record(set(low, 'closed'), set('container-valve', 'closed'), canEmptied(state, counted)),
    },
    plain: rig.engine === 'off' ? [{ label: W.engineIsOn, key: 'N', does: record(set('engine', 'on')) }] : [],
    after: done + 1 < counted.count ? W.thenTheNextCan : W.thenProveIt,
  }
}

function callCountedFull(state: JobState, { count, netG }: Counted, say: Say): Call {
  const [target, allows] = [labelTargetG(state), toleranceG(state)]
  const { label, place } = state.opened
  const over =
    countAgainst(cansGive(count, netG, label.refrigerant, withinTablesC(place.ambientC)), target, allows) === 'over'
  return {
    sentence: W.inProveIt(count, count === 1 ? W.canIs : W.cansAre),
    why: [countWords(state, count, netG, say), W.nothingWasWeighedTheReadings],
    watch: [],
    action: { label: W.goOnToTheProof, key: 'P', does: record(finish('charge')) },
    plain: over
      ? [
          {
            label: W.recoverItBeginAgain,
            key: 'B',
            does: record(...turnDeeds(state, 'zero', W.tooMuchByTheCount)),
          },
        ]
      : [],
    after: W.bothSidesAndTheVent,
  }
}
