import type { ReasonCode } from '../hold/codes'
import { LOST_UNSEEN } from '../hold/history'
import { reasonsIn } from '../hold/reason-words'
import type { HoldResult, Verdict } from '../hold/types'
import { endsUncharged, holdStage, pullAhead } from '../job/stage-now'
import { OPENED_MINUTES } from '../job/stages'
import { currentHold, type Hold, holdEndsMs, type JobState } from '../job/state'
import { mendedWords } from '../leak/proved'
import { chanceWords } from '../units/chance'
import type { Say } from '../units/say'
import { type Accepted, acceptanceOf } from './acceptance'
import { FOUND_WORDS, findingOf, foundBy } from './finding'
import { readNext, TYPE_IT } from './read-next'
import { type Ask, type Call, type CallButton, type Live, record, sayOf } from './types'

const decide = (label: string, key: string, next: 'charge' | 'pull' | 'fix' | 'hold'): CallButton => ({
  label,
  key,
  does: record({ kind: 'hold-decided', payload: { next } }),
})
const CHARGE = decide('Go on to charging', 'C', 'charge')
const PULL = decide('Pull again', 'P', 'pull')
const FIX: CallButton = {
  label: 'Look for the leak',
  key: 'F',
  does: record({ kind: 'hold-decided', payload: { next: 'fix' } }, { kind: 'search-begun', payload: { why: 'hold' } }),
}
const LONGER = decide('Hold on longer', 'H', 'hold')

/** Charged although it leaks: why, and what whoever pays says to it. */
const KNOWINGLY: CallButton = { label: 'Charge it knowingly', key: 'K', does: { do: 'way', at: 'accept' } }

const BOARD: CallButton = { label: 'Board', key: 'G', does: { do: 'go', to: 'board' } }
export function callHold(state: JobState, live: Live): Call {
  const hold = currentHold(state)
  if (!hold)
    return {
      sentence: 'Isolation was not recorded.',
      why: ['Without its moment there is no hold to judge.'],
      watch: [],
      action: PULL,
      plain: [],
    }
  return hold.ended ? callVerdict(state, hold, sayOf(live)) : callHolding(state, hold, live)
}

function callHolding(state: JobState, hold: Hold, live: Live): Call {
  const say = sayOf(live)
  const ends = holdEndsMs(hold)
  const judged = live.judgement
  // a hole or water is no less there for waiting; "tight" goes on proving more until the planned end
  const finding = judged && findingOf(judged)
  const found = finding !== undefined
  const over = live.nowMs >= ends
  const next = readNext(state, live)
  const end: CallButton = {
    label: over ? 'Judge the hold' : 'End the hold',
    key: 'E',
    does: { do: 'judge' },
    ...(!over && !found && { ask: shorten(judged, say) }),
  }
  return {
    sure: finding === 'wet' ? `damp, ${chanceWords(judged?.probability.damp ?? 1)}; leak open` : sureOf(judged),
    sentence: over
      ? 'Time is up. Judge it.'
      : found
        ? `${FOUND_WORDS[finding]} No need to wait.`
        : next?.due
          ? 'Read the gauge.'
          : 'Leave it. Come back at',
    ...(over || found || next?.due
      ? {}
      : {
          figure: {
            text: live.clock(ends),
            caption: `in ${Math.max(1, Math.round((ends - live.nowMs) / 60_000))} min`,
          },
        }),
    why: [
      ...(next ? [next.words] : []),
      ...weatherWords(state, hold, live),
      ...(judged ? reasonsIn(judged, say) : ['The first minutes show gas settling, not the car.']),
      ...(over ? [] : expectedWords(judged, hold, live, finding === 'wet')),
      ...(over || found || holdStage(state)?.until !== 'decided'
        ? []
        : ['By this procedure it goes on by itself until the judge can decide, for a day at most.']),
    ],
    proves: { title: 'What it proves', text: provesOf(judged, state, say) },
    watch: [],
    action: over || found ? end : next?.due ? TYPE_IT : { ...BOARD, label: 'To the board' },
    plain: over ? [LONGER] : found ? [BOARD] : [end],
    after: 'Then charge, pull again, or look for the leak: the hold decides.',
  }
}

/** The weather matters to a needle, which counts from the air, and to a gauge that is held for so long, min. */
const LONG_HOLD_MIN = 120
/** A barometer read this shortly before the end is the one of the end, ms. */
const AT_THE_END_MS = 20 * 60_000

/** The barometer is asked for where it matters: once at the beginning, once at the end. */
function weatherWords({ opened, hung }: JobState, hold: Hold, { airAtMs, nowMs }: Live): string[] {
  const matters = opened.rig.gauge === 'needle' || hold.plannedMinutes >= LONG_HOLD_MIN
  if (!matters || opened.simulated || hung.some((h) => h.kind === 'barometer')) return []
  const fromMs = Date.parse(hold.isolatedAt)
  const end = holdEndsMs(hold)
  if (airAtMs === undefined || airAtMs < fromMs - AT_THE_END_MS)
    return nowMs < end - AT_THE_END_MS
      ? ['Type the barometer too, now and at the end: then the weather is taken out.']
      : []
  return nowMs >= end && airAtMs < end - AT_THE_END_MS ? ['Type the barometer once more before it is judged.'] : []
}

/** When a decision is to be expected, if it is not made yet and can be foreseen; where water is certain, what for. */
function expectedWords(judged: HoldResult | undefined, hold: Hold, live: Live, wet: boolean): string[] {
  const first = wet ? ['The water has to come out first: the hold after the next pull tells of a leak.'] : []
  const atS = judged?.decisionExpectedS
  if (atS === null || atS === undefined || judged?.verdict !== 'undecided') return first
  const at = live.clock(Date.parse(hold.isolatedAt) + atS * 1000)
  return wet
    ? [...first, `Whoever waits knows about the leak at about ${at}.`]
    : [`A decision is to be expected about ${at}.`]
}

function shorten(judged: HoldResult | undefined, say: Say): Ask {
  const now = judged?.detectionLimitGramsPerYear?.high
  const end = judged?.limitAtEndGramsPerYear?.high
  const price =
    now === undefined
      ? 'Nothing is proved yet.'
      : `By now a leak of ${say.aYear(now)} would show${end === undefined ? '' : `, at the planned end one of ${say.aYear(end)}`}.`
  return {
    question: 'Why end it before its time?',
    kind: 'hold-shortened',
    judge: true,
    stay: 'Let it hold',
    go: 'End it and judge',
    price: `${price} The record says who ended it, why, and what was not proved.`,
  }
}

function sureOf(judged: HoldResult | undefined): string {
  if (!judged || judged.verdict === 'undecided') return 'undecided, as expected'
  if (judged.verdict === 'invalid') return 'not to be judged so far'
  const leak = judged.probability.leak
  return `${judged.verdict}, ${chanceWords(leak >= 0.5 ? leak : 1 - leak)}`
}

function provesOf(judged: HoldResult | undefined, state: JobState, say: Say): string {
  const at = `on ${state.opened.volumeL} L with ${state.opened.rig.gauge === 'needle' ? 'a needle' : 'an electronic gauge'}`
  if (!judged?.detectionLimitGramsPerYear) return `Nothing yet, ${at}.`
  const now = say.aYear(judged.detectionLimitGramsPerYear.high)
  const end = judged.limitAtEndGramsPerYear ? say.aYear(judged.limitAtEndGramsPerYear.high) : now
  return (
    `By now a leak of ${now} would show, at the planned end one of ${end}, worst case, ${at}. ` +
    `Not a leak under a coupler, nor one that opens under pressure only.`
  )
}

const SENTENCES: Record<Verdict, string> = {
  tight: 'Tight. Charge it.',
  damp: 'Damp. Pull again.',
  leak: 'It leaks. Find it.',
  'leak-and-damp': 'It leaks, and it is damp.',
  undecided: 'Still undecided.',
  invalid: 'This record cannot be judged.',
}

const CHOICES: Record<Verdict, [CallButton, ...CallButton[]]> = {
  tight: [CHARGE, PULL],
  damp: [PULL, CHARGE],
  leak: [FIX, PULL, KNOWINGLY],
  'leak-and-damp': [FIX, PULL, KNOWINGLY],
  undecided: [LONGER, PULL],
  invalid: [PULL, LONGER],
}

/** A needle that stood still has found something: whoever goes on knows how much it cannot see. */
const stoodStill = (hold: Hold, ended: NonNullable<Hold['ended']>, say: Say): [CallButton, ...CallButton[]] => [
  { ...CHARGE, label: 'Charge; the limit goes into the record' },
  ended.heldS < NIGHT_MIN * 30 ? aNightMore(hold, ended, say) : LONGER,
  PULL,
]

/** A night of the same needle, min. */
const NIGHT_MIN = 720

/** A night with its price in hours and its gain in grams: what a needle cannot see shrinks with the time held. */
function aNightMore(hold: Hold, { heldS, provesGramsPerYear }: NonNullable<Hold['ended']>, say: Say): CallButton {
  const minutes = Math.max(1, NIGHT_MIN - Math.round(hold.plannedMinutes))
  const then = provesGramsPerYear === null ? null : (provesGramsPerYear * heldS) / (NIGHT_MIN * 60)
  const gain = then === null ? '' : `: ${say.aYear(then)} shows`
  return {
    label: `Hold ${Math.round(minutes / 60)} h more${gain}`,
    key: 'H',
    does: record({ kind: 'hold-decided', payload: { next: 'hold', minutes } }),
  }
}

type Seen = { still: boolean; wet: boolean }

/** What a hold leads to: what its procedure has next where it is accepted, else what that says of a failure. */
function choicesOf(
  state: JobState,
  hold: Hold,
  judged: Accepted,
  { still, wet }: Seen,
  say: Say,
): [CallButton, ...CallButton[]] {
  const ended = hold.ended as NonNullable<Hold['ended']>
  const onward = goesOn(state, judged)
  if (judged.by === 'word') return [{ ...onward, label: `It holds. ${onward.label}` }, PULL, FIX]
  // it held, and yet what it lost would have shown: the leak is where this hold cannot see
  const elsewhere = ended.findings?.some((f) => f.code === LOST_UNSEEN)
  if (judged.accepted) return elsewhere ? [onward, PULL, FIX] : [onward, PULL]
  if (judged.by === 'rule') return [BY_FAILURE[holdStage(state)?.fails ?? 'again'], LONGER, FIX]
  if (still) return stoodStill(hold, ended, say)
  const usual = wet ? CHOICES.damp : CHOICES[ended.verdict]
  if (ended.verdict === 'tight') return [LONGER, CHARGE, PULL]
  return usual
}

/** The next stage of the procedure: a pull that comes after this hold, the charge, or its end. */
function goesOn(state: JobState, { by }: Accepted): CallButton {
  const ahead = pullAhead(state)
  const decided = (next: 'pull' | 'charge') => record({ kind: 'hold-decided', payload: { next, accepted: by } })
  if (ahead) {
    const minutes = ahead.minutes ?? OPENED_MINUTES[state.opened.story.opened]
    return { label: `Go on: pull, ${minutes} min`, key: 'C', does: decided('pull') }
  }
  return endsUncharged(state)
    ? { label: 'End it: checked for leaks', key: 'C', does: { do: 'way', at: 'close' } }
    : { ...CHARGE, does: decided('charge') }
}

const BY_FAILURE = { again: PULL, longer: LONGER, fix: FIX, lead: LONGER } as const

function sentenceOf(
  state: JobState,
  ended: NonNullable<Hold['ended']>,
  judged: Accepted,
  { still, wet }: Seen,
): string {
  if (judged.by === 'word') return 'Does it hold? You say.'
  if (judged.by === 'rule') {
    if (!judged.accepted)
      return holdStage(state)?.fails === 'lead' ? 'Its rule fails. The lead decides.' : 'Its rule fails.'
    return pullAhead(state) ? 'Its rule passes. Pull on.' : 'Its rule passes. Charge it.'
  }
  if (judged.accepted && pullAhead(state)) return 'Tight. Now the long pull.'
  if (judged.accepted && endsUncharged(state)) return 'Tight.'
  if (ended.verdict === 'tight' && !judged.accepted) return 'Tight so far. Hold on.'
  return still ? 'The needle stood still.' : wet ? 'Damp for certain. Pull again.' : SENTENCES[ended.verdict]
}

function callVerdict(state: JobState, hold: Hold, say: Say): Call {
  const ended = hold.ended as NonNullable<Hold['ended']>
  const wet = foundBy(ended.verdict, ended.damp) === 'wet'
  const still = ended.codes?.includes('needle-still' satisfies ReasonCode) ?? false
  const judged = acceptanceOf(state, ended)
  const [action, ...plain] = choicesOf(state, hold, judged, { still, wet }, say)
  const limit = ended.provesGramsPerYear === null ? undefined : say.aYear(ended.provesGramsPerYear)
  const found =
    ended.leakGramsPerYear !== null && ended.verdict.startsWith('leak')
      ? [`Up to ${say.aYear(ended.leakGramsPerYear)}, worst case.`]
      : []
  return {
    sure: `leak ${chanceWords(ended.leak)}, damp ${chanceWords(ended.damp)}`,
    sentence: sentenceOf(state, ended, judged, { still, wet }),
    why: [
      ...mendedWords(state, hold.isolatedAt, ended, say),
      ...judged.words,
      ...reasonsIn(ended, say),
      ...(wet ? ['Whether it leaks too stays open: the next hold, drier, tells.'] : []),
      ...found,
      `Held ${Math.round(ended.heldS / 60)} min of ${hold.plannedMinutes}, ${ended.samples.toLocaleString('en')} readings.`,
      ...(hold.shortened ? [`Ended early by ${hold.shortened.by}: ${hold.shortened.why}.`] : []),
    ],
    proves: {
      title: 'What it proves',
      text: limit
        ? `No leak of ${limit} or more would have stayed hidden, worst case, on ${state.opened.volumeL} L. ` +
          `Not a core under its coupler, nor a seal that opens under pressure only.`
        : 'Nothing: too little was read.',
    },
    watch:
      ended.verdict === 'leak' || ended.verdict === 'leak-and-damp'
        ? ['The hoses are in this hold: a leaking hose looks like a leaking car.']
        : [],
    action,
    plain,
  }
}
