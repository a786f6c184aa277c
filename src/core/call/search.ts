import { daysUntilShort, lifeWords } from '../charge/life'
import { labelTargetG, toleranceG } from '../charge/plan-for-job'
import { type LeakPlace, NITROGEN_MOST_PA_G } from '../job/leak'
import { couplerOf, sidesOf } from '../job/sides'
import { nitrogenPaG } from '../job/stage-now'
import type { JobState } from '../job/state'
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
  const size = { loss: 'by what it lost', hold: 'by its hold', assumed: 'assumed' }[by]
  return [
    `The most chance for its minutes: it shows in ${percent(next.shows)}, ${Math.round(next.minutes)} min.`,
    CHECKS[next.check].misses,
    ...(view.search.seen.length === 0
      ? [`Looked for: a leak of about ${say.aYear(gramsPerYear)}, ${size}.`, ...view.clues.map((c) => c.words)]
      : []),
  ]
}

function callCheck(state: JobState, next: Proposal, say: Say): Asked {
  const base = { watch: [], plain: [OVER], after: TAP }
  switch (next.check) {
    case 'look':
      return {
        ...base,
        sentence: 'Look for oil and dye, with a light.',
        action: { label: 'Nothing seen', key: 'N', does: record(saw({ check: 'look', at: null })) },
      }
    case 'couplers':
      return {
        ...base,
        sentence: 'Couplers off, and watch it.',
        action: {
          label: 'Both are off, closed',
          key: 'B',
          does: record(
            ...sidesOf(state.opened.rig).flatMap((side) => [set(couplerOf(side), 'on'), set(couplerOf(side), 'off')]),
          ),
        },
        plain: [{ label: 'It rose the same', key: 'S', does: record(saw({ check: 'couplers', says: 'same' })) }, OVER],
        after:
          'Close each before it is pulled off. A gauge that hangs on the manifold sees the car again once they are back on.',
      }
    case 'hoses':
      return {
        ...base,
        sentence: 'Hold the hoses alone, 10 min.',
        action: { label: 'They stood still', key: 'S', does: record(saw({ check: 'hoses', says: 'still' })) },
        plain: [{ label: 'They rose', key: 'R', does: record(saw({ check: 'hoses', says: 'rose' })) }, OVER],
        after: 'Couplers off the car and closed, pump on the hoses, shut, and look.',
      }
    case 'nitrogen': {
      const paG = nitrogenPaG(state, NITROGEN_MOST_PA_G)
      return {
        ...base,
        sentence: `Dry nitrogen in, to ${say.pressure(paG)}.`,
        action: {
          label: `It is in, ${say.pressure(paG)}`,
          key: 'N',
          does: record(...hosesOn(state), { kind: 'nitrogen-in', payload: { pressurePaG: paG } }),
        },
        watch: [
          'Only through a regulator with a relief valve; never above the lower of the label’s and our own limit; never oxygen, never shop air.',
          ...(state.nitrogenLimitPaG === undefined
            ? ['What this car’s label allows nobody has said yet: read it and type it before anything is let in.']
            : []),
        ],
        after: `Then soap on ${(next.soaps ?? [])
          .slice(0, 3)
          .map((p) => PLACES[p].name)
          .join(', ')}, while it soaks.`,
      }
    }
    case 'soap':
      return soapOn(next.at as LeakPlace)
    case 'sniffer':
      return {
        ...base,
        sentence: 'A part charge in, and the sniffer round.',
        action: { label: 'It found nothing', key: 'N', does: record(saw({ check: 'sniffer', at: null })) },
        watch: [
          'Refrigerant is let in by weight, logged below, and recovered before anything is opened: never vented. Ventilate; no flame.',
        ],
      }
    case 'weigh':
      return { ...base, sentence: 'Charge it, and weigh it after weeks.', action: OVER, plain: [] }
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
    sentence: `It is the ${PLACES[place].name}.`,
    why: [
      ...said,
      `${percent(chance)} by ${last ? 'what was seen' : 'what is known of the car'}: mend it, and say what was done.`,
      'The next hold proves it, or not. A photograph of it, taken below, goes into the record.',
    ],
    form: 'leak-found',
    watch: [],
    action: { label: 'Mended: keep it', key: 'K', does: { do: 'send', form: 'leak-found' } },
    plain: [OVER],
    after: 'Then log what was renewed.',
  }
}

/** Not found: what is left of it, what a charge would last, and when to come back. */
function callNotFound(state: JobState, view: SearchView, say: Say, said: string[]): Call {
  const left = view.ranked.slice(0, 4).map(({ place, chance }) => `${PLACES[place].name} ${percent(chance)}`)
  const targetG = labelTargetG(state)
  const days = daysUntilShort(targetG, targetG - toleranceG(state), view.sought.gramsPerYear)
  return {
    sentence: 'Not found.',
    why: [
      ...said,
      `Left as likely: ${left.join(', ')}.`,
      `With a leak of ${say.aYear(view.sought.gramsPerYear)} a charge to the middle of its label is short of it after ${lifeWords(days)}: come back before, and weigh it.`,
      'Dye in with the charge shows the next time what nothing shows today.',
    ],
    watch: ['Topping up year after year is against the law in many places; local codes decide.'],
    action: OVER,
    plain: [],
    after: 'Then log what was renewed, and decide with whoever pays.',
  }
}
