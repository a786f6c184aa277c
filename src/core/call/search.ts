import { daysUntilShort, lifeWords } from '../charge/life'
import { labelTargetG, toleranceG } from '../charge/plan-for-job'
import { type LeakChecked, type LeakPlace, NITROGEN_MOST_PA_G } from '../job/leak'
import { couplerOf, sidesOf, valveOf } from '../job/sides'
import { nitrogenPaG } from '../job/stage-now'
import { currentHold, type JobState } from '../job/state'
import { CHECKS } from '../leak/checks'
import { contradictionWords } from '../leak/contradictions'
import type { Proposal } from '../leak/next-check'
import { PLACES } from '../leak/places'
import type { PressureFinding } from '../leak/pressure-test'
import { offSince, type SearchView } from '../leak/search-view'
import { lengthWords } from '../units/duration'
import type { Say } from '../units/say'
import { type Call, type CallButton, type Deed, type Live, record, sayOf, set } from './types'

const saw = (seen: LeakChecked): Deed => ({ kind: 'leak-checked', payload: seen })
const percent = (chance: number): string => `${Math.round(100 * chance)} of 100`

/** The couplers have to be off so long before the gauge says something of the cores, ms (assumed). */
const OFF_MS = 15 * 60_000
/** Below this a check is not worth its minutes: the search has ended without a place (assumed). */
const WORTH_SHOWN = 0.02

const BOARD: CallButton = { label: 'To the board', key: 'G', does: { do: 'go', to: 'board' } }
const OVER: CallButton = { label: 'End the search', key: 'E', does: { do: 'way', at: 'search' } }

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

type Asked = Omit<Call, 'why'>
const TAP = 'Or tap the place on the sketch, and say what is there.'

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

/** Hoses that hang off the car go on before nitrogen comes: valves shut first, couplers on, then open. */
export function hosesOn({ opened, rig }: Pick<JobState, 'opened' | 'rig'>): Deed[] {
  const off = sidesOf(opened.rig).filter((side) => rig[couplerOf(side)] !== 'open')
  if (off.length === 0) return []
  const open = (['low', 'high'] as const).filter((side) => rig[valveOf(side)] === 'open')
  return [
    ...open.map((side) => set(valveOf(side), 'closed')),
    ...off.flatMap((side) => [
      ...(rig[couplerOf(side)] === 'off' ? [set(couplerOf(side), 'on')] : []),
      set(couplerOf(side), 'open'),
    ]),
  ]
}

const soapOn = (at: LeakPlace): Asked => ({
  sentence: `Soap on: ${PLACES[at].name}.`,
  watch: [],
  action: { label: 'No bubbles', key: 'N', does: record(saw({ check: 'soap', at, bubbles: false })) },
  plain: [{ label: 'It bubbles', key: 'B', does: record(saw({ check: 'soap', at, bubbles: true })) }],
  after: TAP,
})

/** Couplers are off: the gauge at the car shows whether it rises more without them. */
function callCouplersOff(state: JobState, view: SearchView, live: Live): Call {
  const say = sayOf(live)
  const since = offSince(state) ?? live.nowMs
  const dueMs = since + OFF_MS
  const over = live.nowMs >= dueMs
  const before = currentHold(state)?.ended?.risePaS
  const says = (label: string, key: string, what: 'off-worse' | 'same' | 'on-worse'): CallButton => ({
    label,
    key,
    does: record(saw({ check: 'couplers', says: what })),
  })
  const now = live.fallPaS
  const told =
    before === null || before === undefined ? '' : `; with the couplers on it was ${say.rate(Math.max(0, before))}`
  return {
    sentence: over ? 'Does it rise more without them?' : 'Leave them off. Look at',
    ...(!over && {
      figure: { text: live.clock(dueMs), caption: `in ${Math.max(1, Math.round((dueMs - live.nowMs) / 60_000))} min` },
    }),
    why: [
      ...(now === undefined
        ? ['Type what the gauge shows, twice, minutes apart.']
        : [`It rises by ${say.rate(now)} now${told}.`]),
      'More without them: a core, which its coupler sealed. The same: neither core nor coupler. Less: a coupler, or our own hoses.',
    ],
    watch: ['A gauge on the manifold sees nothing of the car meanwhile: put them back on after the time, and compare.'],
    action: over ? says('More', 'M', 'off-worse') : BOARD,
    plain: [
      ...(over ? [] : [says('More', 'M', 'off-worse')]),
      says('The same', 'S', 'same'),
      says('Less', 'L', 'on-worse'),
    ],
    after: view.search.seen.length === 0 ? TAP : 'Then the next check.',
  }
}

/** Both are off and it rises more: one goes back on, and what the gauge does says which core it is. */
function callWhichPort(live: Live): Call {
  const now = live.fallPaS
  return {
    sentence: 'Low coupler back on, and watch it.',
    why: [
      ...(now === undefined ? [] : [`It rises by ${sayOf(live).rate(now)} now.`]),
      'Pushed on it seals the low core. Five to ten minutes tell: it rises on, or it stops.',
    ],
    watch: ['Its valve shut: nothing is let in.'],
    action: {
      label: 'It stopped: the low core',
      key: 'L',
      does: record(set('coupler-low', 'on'), saw({ check: 'couplers', says: 'low-worse' })),
    },
    plain: [
      {
        label: 'It rises on: the high core',
        key: 'H',
        does: record(set('coupler-low', 'on'), saw({ check: 'couplers', says: 'high-worse' })),
      },
      OVER,
    ],
    after: 'The other core is the one then.',
  }
}

/** Nitrogen is in: it soaks, soap goes on the likeliest places, and it is let out before anything else. */
function callUnderPressure(state: JobState, view: SearchView, live: Live, said: string[]): Call {
  const say = sayOf(live)
  const found = live.pressureTest
  const out = letOut(state, found, live)
  const soap = view.next.find((p) => p.check === 'soap')
  const test = pressureWords(found, say, currentHold(state)?.ended?.provesGramsPerYear)
  const base = {
    watch: ['Let it out to the air of the room before the pump runs, and before a joint is opened.'],
  }
  const worth = soap?.at && soap.shows >= WORTH_SHOWN && !view.named
  if (worth && soap?.at) {
    const { action, plain, sentence } = soapOn(soap.at)
    const why = [...said, `Here it shows in ${percent(soap.shows)}, and it takes two minutes.`, ...test]
    return { ...base, sentence, why, action, plain: [...plain, out], after: TAP }
  }
  return {
    ...base,
    sentence: view.named ? `It is the ${PLACES[view.named.place].name}. Let it out.` : soakSentence(found),
    why: [...said, ...test, ...(view.named ? [] : ['Every place a brush reaches was soaped.'])],
    action: out,
    plain: [],
    after: view.named ? 'Then mend it.' : 'Let it soak as long as it takes: the longer, the smaller the leak it shows.',
  }
}

const soakSentence = (found: PressureFinding | undefined): string =>
  found?.kind === 'falls'
    ? 'It falls. Let it out.'
    : found?.kind === 'stands'
      ? 'It stands. Let it out.'
      : 'Let it soak, then let it out.'

/**
 * What the pressure test says by now, beside what the vacuum hold would have shown.
 * @param heldProves - the hold's own limit, g a year
 */
export function pressureWords(found: PressureFinding | undefined, say: Say, heldProves?: number | null): string[] {
  if (!found || found.kind === 'too-short') return ['Pressure and temperature are being read; some minutes are needed.']
  if (found.kind === 'temperature-missing')
    return [
      `No temperature of the gas between minute ${Math.round(found.fromS / 60)} and ${Math.round(found.toS / 60)}: type it. What falls may be only cooling.`,
    ]
  const held = lengthWords(found.heldS)
  const raw = `${say.pressure(Math.abs(found.rawFallPaS) * found.heldS)} ${found.rawFallPaS >= 0 ? 'down' : 'up'} as read`
  const beside = heldProves ? `, in the vacuum hold one of ${say.aYear(heldProves)}` : ''
  const shows = `By now a leak of ${say.aYear(found.shows.high)} would show${beside}; vacuum opens other leaks than pressure does.`
  if (found.kind === 'falls')
    return [
      `In ${held} ${raw}; with the temperature taken out it falls: up to ${say.aYear(found.gramsPerYear.high)}, worst case.`,
      shows,
    ]
  return [
    `In ${held} ${raw}; with the temperature taken out ${found.kind === 'stands' ? 'it stands' : 'it cannot be told yet'}.`,
    shows,
  ]
}

/** Nitrogen out again, with what the test showed where it showed something. */
function letOut(state: JobState, found: PressureFinding | undefined, live: Live): CallButton {
  const inAt = state.search?.nitrogen?.inAt
  const minutes = inAt ? Math.max(0, (live.nowMs - Date.parse(inAt)) / 60_000) : 0
  const judged = found && 'shows' in found ? found : undefined
  const seen: LeakChecked[] = judged
    ? [
        {
          check: 'nitrogen',
          says: judged.kind,
          gramsPerYear: judged.gramsPerYear.high,
          showsGramsPerYear: judged.shows.high,
          minutes,
        },
      ]
    : []
  return {
    label: 'Let out, at zero',
    key: 'O',
    does: record(...seen.map(saw), { kind: 'nitrogen-out', payload: {} }),
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
