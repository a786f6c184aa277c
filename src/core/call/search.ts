import { daysUntilShort, lifeWords } from '../charge/life'
import { labelTargetG, toleranceG } from '../charge/plan-for-job'
import { type LeakPlace, NITROGEN_MOST_PA_G } from '../job/leak'
import { couplerOf, sidesOf } from '../job/sides'
import { nitrogenPaG } from '../job/stage-now'
import type { JobState } from '../job/state'
import { W } from '../language/call/search'
import { CHECKS } from '../leak/checks'
import { contradictionWords } from '../leak/contradictions'
import type { Proposal } from '../leak/next-check'
import { PLACES } from '../leak/places'
import type { SearchView } from '../leak/search-view'
import type { Say } from '../units/say'
import { callCouplersOff, callWhichPort } from './search-couplers'
import { type Asked, hosesOn, OVER, percent, saw, soapOn, TAP, WORTH_SHOWN } from './search-deeds'
import { callUnderPressure } from './search-pressure'
import { type Call, type Live, record, sayOf, set } from './types'

/** The search for the leak: the next check, or the place. */
export function callSearch(state: JobState, view: SearchView, live: Live): Call {
  const say = sayOf(live)
  const said = [...view.contradictions.map(contradictionWords)]
  if (view.search.nitrogen) return callUnderPressure(state, view, live, said)
  if (view.named) return callNamed(view, view.named.place, view.named.chance, said)
  if (view.couplersOff) return callCouplersOff(state, view, live)
  if (view.whichPort && sidesOf(state.opened.rig).length > 1) return callWhichPort(live)
  const next = view.next[0]
  if (!next || next.shows < WORTH_SHOWN) return callNotFound(state, view, say, said)
  return { ...callCheck(state, next, say), why: [...said, ...whyOf(next, view, say)] }
}

/** Why this check is next: how often the leak shows itself to it, what it misses, and what speaks for the places. */
function whyOf(next: Proposal, view: SearchView, say: Say): string[] {
  const { gramsPerYear, by } = view.sought
  const size = { loss: W.byWhatItLost, hold: W.byItsHold, assumed: W.assumed }[by]
  return [
    W.theMostChanceForIts(percent(next.shows), Math.round(next.minutes)),
    CHECKS[next.check].misses,
    ...(view.search.seen.length === 0
      ? [W.lookedForALeakOf(say.aYear(gramsPerYear), size), ...view.clues.map((c) => c.words)]
      : []),
  ]
}

function callCheck(state: JobState, next: Proposal, say: Say): Asked {
  const base = { watch: [], plain: [OVER], after: TAP }
  switch (next.check) {
    case 'look':
      return {
        ...base,
        sentence: W.lookForOilAndDye,
        action: { label: W.nothingSeen, key: 'N', does: record(saw({ check: 'look', at: null })) },
      }
    case 'couplers':
      return {
        ...base,
        sentence: W.couplersOffAndWatchIt,
        action: {
          label: W.bothAreOffClosed,
          key: 'B',
          does: record(
            ...sidesOf(state.opened.rig).flatMap((side) => [set(couplerOf(side), 'on'), set(couplerOf(side), 'off')]),
          ),
        },
        plain: [{ label: W.itRoseTheSame, key: 'S', does: record(saw({ check: 'couplers', says: 'same' })) }, OVER],
        after: W.closeEachBeforeItIs,
      }
    case 'hoses':
      return {
        ...base,
        sentence: W.holdTheHosesAlone10,
        action: { label: W.theyStoodStill, key: 'S', does: record(saw({ check: 'hoses', says: 'still' })) },
        plain: [{ label: W.theyRose, key: 'R', does: record(saw({ check: 'hoses', says: 'rose' })) }, OVER],
        after: W.couplersOffTheCarAnd,
      }
    case 'nitrogen': {
      const paG = nitrogenPaG(state, NITROGEN_MOST_PA_G)
      return {
        ...base,
        sentence: W.dryNitrogenInTo(say.pressure(paG)),
        action: {
          label: W.itIsIn(say.pressure(paG)),
          key: 'N',
          does: record(...hosesOn(state), { kind: 'nitrogen-in', payload: { pressurePaG: paG } }),
        },
        watch: [
          W.onlyThroughARegulatorWith,
          ...(state.nitrogenLimitPaG === undefined ? [W.whatThisCarsLabelAllows] : []),
        ],
        after: W.thenSoapOnWhileIt(
          (next.soaps ?? [])
            .slice(0, 3)
            .map((p) => PLACES[p].name)
            .join(', '),
        ),
      }
    }
    case 'soap':
      return soapOn(next.at as LeakPlace)
    case 'sniffer':
      return {
        ...base,
        sentence: W.aPartChargeInAnd,
        action: { label: W.itFoundNothing, key: 'N', does: record(saw({ check: 'sniffer', at: null })) },
        watch: [W.refrigerantIsLetInBy],
      }
    case 'weigh':
      return { ...base, sentence: W.chargeItAndWeighIt, action: OVER, plain: [] }
    default: {
      const unknown: never = next.check
      return unknown
    }
  }
}

function callNamed(view: SearchView, place: LeakPlace, chance: number, said: string[]): Call {
  const last = view.search.seen[view.search.seen.length - 1]
  return {
    sure: percent(chance),
    sentence: W.itIsThe(PLACES[place].name),
    why: [...said, W.byMendItAndSay(percent(chance), last ? W.whatWasSeen : W.whatIsKnownOfThe), W.theNextHoldProvesIt],
    form: 'leak-found',
    watch: [],
    action: { label: W.mendedKeepIt, key: 'K', does: { do: 'send', form: 'leak-found' } },
    plain: [OVER],
    after: W.thenLogWhatWasRenewed,
  }
}

/** Not found: what is left of it, what a charge would last, and when to come back. */
function callNotFound(state: JobState, view: SearchView, say: Say, said: string[]): Call {
  const left = view.ranked.slice(0, 4).map(({ place, chance }) => `${PLACES[place].name} ${percent(chance)}`)
  const targetG = labelTargetG(state)
  const days = daysUntilShort(targetG, targetG - toleranceG(state), view.sought.gramsPerYear)
  return {
    sentence: W.notFound,
    why: [
      ...said,
      W.leftAsLikely(left.join(', ')),
      W.withALeakOfA(say.aYear(view.sought.gramsPerYear), lifeWords(days)),
      W.dyeInWithTheCharge,
    ],
    watch: [W.toppingUpYearAfterYear],
    action: OVER,
    plain: [],
    after: W.thenLogWhatWasRenewedAnd,
  }
}
