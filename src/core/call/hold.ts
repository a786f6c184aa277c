import type { ReasonCode } from '../hold/codes'
import { LOST_UNSEEN } from '../hold/history'
import { reasonsIn } from '../hold/reason-words'
import type { HoldResult, Verdict } from '../hold/types'
import { endsUncharged, holdStage, pullAhead } from '../job/stage-now'
import { OPENED_MINUTES } from '../job/stages'
import { currentHold, type Hold, holdEndsMs, type JobState } from '../job/state'
import { W } from '../language/call/hold'
import { mendedWords } from '../leak/proved'
import { chanceWords } from '../units/chance'
import { MINUTE_MS } from '../units/constants'
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
const CHARGE = decide(W.goOnToCharging, 'C', 'charge')
const PULL = decide(W.pullAgain, 'P', 'pull')
const FIX: CallButton = {
  label: W.lookForTheLeak,
  key: 'F',
  does: record({ kind: 'hold-decided', payload: { next: 'fix' } }, { kind: 'search-begun', payload: { why: 'hold' } }),
}
const LONGER = decide(W.holdOnLonger, 'H', 'hold')

/** Charged although it leaks: why, and what whoever pays says to it. */
const KNOWINGLY: CallButton = { label: W.chargeItKnowingly, key: 'K', does: { do: 'way', at: 'accept' } }

const BOARD: CallButton = { label: W.board, key: 'G', does: { do: 'go', to: 'board' } }
export function callHold(state: JobState, live: Live): Call {
  const hold = currentHold(state)
  if (!hold)
    return {
      sentence: W.isolationWasNotRecorded,
      why: [W.withoutItsMomentThereIs],
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
    label: over ? W.judgeTheHold : W.endTheHold,
    key: 'E',
    does: { do: 'judge' },
    ...(!over && !found && { ask: shorten(judged, say) }),
  }
  return {
    sure: finding === 'wet' ? W.dampLeakOpen(chanceWords(judged?.probability.damp ?? 1)) : sureOf(judged),
    sentence: over
      ? W.timeIsUpJudgeIt
      : found
        ? W.noNeedToWait(FOUND_WORDS[finding])
        : next?.due
          ? W.readTheGauge
          : W.leaveItComeBackAt,
    ...(over || found || next?.due
      ? {}
      : {
          figure: {
            text: live.clock(ends),
            caption: W.inMin(Math.max(1, Math.round((ends - live.nowMs) / MINUTE_MS))),
          },
        }),
    why: [
      ...(next ? [next.words] : []),
      ...weatherWords(state, hold, live),
      ...(judged ? reasonsIn(judged, say) : [W.theFirstMinutesShowGas]),
      ...(over ? [] : expectedWords(judged, hold, live, finding === 'wet')),
      ...(over || found || holdStage(state)?.until !== 'decided' ? [] : [W.byThisProcedureItGoes]),
    ],
    proves: { title: W.whatItProves, text: provesOf(judged, state, say) },
    watch: [],
    action: over || found ? end : next?.due ? TYPE_IT : { ...BOARD, label: W.toTheBoard },
    plain: over ? [LONGER] : found ? [BOARD] : [end],
    after: W.thenChargePullAgainOr,
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
    return nowMs < end - AT_THE_END_MS ? [W.typeTheBarometerTooNow] : []
  return nowMs >= end && airAtMs < end - AT_THE_END_MS ? [W.typeTheBarometerOnceMore] : []
}

/** When a decision is to be expected, if it is not made yet and can be foreseen; where water is certain, what for. */
function expectedWords(judged: HoldResult | undefined, hold: Hold, live: Live, wet: boolean): string[] {
  const first = wet ? [W.theWaterHasToCome] : []
  const atS = judged?.decisionExpectedS
  if (atS === null || atS === undefined || judged?.verdict !== 'undecided') return first
  const at = live.clock(Date.parse(hold.isolatedAt) + atS * 1000)
  return wet ? [...first, W.whoeverWaitsKnowsAboutThe(at)] : [W.aDecisionIsToBe(at)]
}

function shorten(judged: HoldResult | undefined, say: Say): Ask {
  const now = judged?.detectionLimitGramsPerYear?.high
  const end = judged?.limitAtEndGramsPerYear?.high
  const price =
    now === undefined
      ? W.nothingIsProvedYet
      : W.byNowALeakOf(say.aYear(now), end === undefined ? '' : W.atThePlannedEndOne(say.aYear(end)))
  return {
    question: W.whyEndItBeforeIts,
    kind: 'hold-shortened',
    judge: true,
    stay: W.letItHold,
    go: W.endItAndJudge,
    price: W.theRecordSaysWhoEnded(price),
  }
}

function sureOf(judged: HoldResult | undefined): string {
  if (!judged || judged.verdict === 'undecided') return W.undecidedAsExpected
  if (judged.verdict === 'invalid') return W.notToBeJudgedSo
  const leak = judged.probability.leak
  return `${judged.verdict}, ${chanceWords(leak >= 0.5 ? leak : 1 - leak)}`
}

function provesOf(judged: HoldResult | undefined, state: JobState, say: Say): string {
  const at = W.onLWith(state.opened.volumeL, state.opened.rig.gauge === 'needle' ? W.aNeedle : W.anElectronicGauge)
  if (!judged?.detectionLimitGramsPerYear) return W.nothingYet(at)
  const now = say.aYear(judged.detectionLimitGramsPerYear.high)
  const end = judged.limitAtEndGramsPerYear ? say.aYear(judged.limitAtEndGramsPerYear.high) : now
  return W.byNowALeakOfWould(now, end, at)
}

const SENTENCES: Record<Verdict, string> = {
  tight: W.tightChargeIt,
  damp: W.dampPullAgain,
  leak: W.itLeaksFindIt,
  'leak-and-damp': W.itLeaksAndItIs,
  undecided: W.stillUndecided,
  invalid: W.thisRecordCannotBeJudged,
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
  { ...CHARGE, label: W.chargeTheLimitGoesInto },
  ended.heldS < NIGHT_MIN * 30 ? aNightMore(hold, ended, say) : LONGER,
  PULL,
]

/** A night of the same needle, min. */
const NIGHT_MIN = 720

/** A night with its price in hours and its gain in grams: what a needle cannot see shrinks with the time held. */
function aNightMore(hold: Hold, { heldS, provesGramsPerYear }: NonNullable<Hold['ended']>, say: Say): CallButton {
  const minutes = Math.max(1, NIGHT_MIN - Math.round(hold.plannedMinutes))
  const then = provesGramsPerYear === null ? null : (provesGramsPerYear * heldS) / (NIGHT_MIN * 60)
  const gain = then === null ? '' : W.shows(say.aYear(then))
  return {
    label: W.holdHMore(Math.round(minutes / 60), gain),
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
  if (judged.by === 'word') return [{ ...onward, label: W.itHolds(onward.label) }, PULL, FIX]
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
    return { label: W.goOnPullMin(minutes), key: 'C', does: decided('pull') }
  }
  return endsUncharged(state)
    ? { label: W.endItCheckedForLeaks, key: 'C', does: { do: 'way', at: 'close' } }
    : { ...CHARGE, does: decided('charge') }
}

const BY_FAILURE = { again: PULL, longer: LONGER, fix: FIX, lead: LONGER } as const

function sentenceOf(
  state: JobState,
  ended: NonNullable<Hold['ended']>,
  judged: Accepted,
  { still, wet }: Seen,
): string {
  if (judged.by === 'word') return W.doesItHoldYouSay
  if (judged.by === 'rule') {
    if (!judged.accepted) return holdStage(state)?.fails === 'lead' ? W.itsRuleFailsTheLead : W.itsRuleFails
    return pullAhead(state) ? W.itsRulePassesPullOn : W.itsRulePassesChargeIt
  }
  if (judged.accepted && pullAhead(state)) return W.tightNowTheLongPull
  if (judged.accepted && endsUncharged(state)) return W.tight
  if (ended.verdict === 'tight' && !judged.accepted) return W.tightSoFarHoldOn
  return still ? W.theNeedleStoodStill : wet ? W.dampForCertainPullAgain : SENTENCES[ended.verdict]
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
      ? [W.upToWorstCase(say.aYear(ended.leakGramsPerYear))]
      : []
  return {
    sure: W.leakDamp(chanceWords(ended.leak), chanceWords(ended.damp)),
    sentence: sentenceOf(state, ended, judged, { still, wet }),
    why: [
      ...mendedWords(state, hold.isolatedAt, ended, say),
      ...judged.words,
      ...reasonsIn(ended, say),
      ...(wet ? [W.whetherItLeaksTooStays] : []),
      ...found,
      W.heldMinOfReadings(Math.round(ended.heldS / 60), hold.plannedMinutes, ended.samples.toLocaleString('en')),
      ...(hold.shortened ? [W.endedEarlyBy(hold.shortened.by, hold.shortened.why)] : []),
    ],
    proves: {
      title: W.whatItProves,
      text: limit ? W.noLeakOfOrMore(limit, state.opened.volumeL) : W.nothingTooLittleWasRead,
    },
    watch: ended.verdict === 'leak' || ended.verdict === 'leak-and-damp' ? [W.theHosesAreInThis] : [],
    action,
    plain,
  }
}
