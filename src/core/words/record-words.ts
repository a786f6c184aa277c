import { certificateWords } from '../job/certificate'
import { CLOSED_LINES } from '../job/doing'
import { chargedG, type Hold, type JobState } from '../job/state'
import { STEP_NAMES } from '../job/steps'
import { codeWords } from '../language/codes'
import { W } from '../language/said/record'
import { leakRecord } from '../leak/proved'
import { customerWords, restAfterCharge } from '../prove/proof-history'
import { RULE_NAMES } from '../schools/rules'
import { chanceWords } from '../units/chance'
import { MINUTE_MS } from '../units/constants'
import { formatPoundsOunces } from '../units/mass'
import { bothPressures, type Say } from '../units/say'
import { ACCEPTED_BY } from './event-words'
import { RENEWED_WORDS } from './renewed'

/** A line of the record: what it is of, its figure where one leads, and the rest. */
export type RecordFact = { name: string; strong?: string; words: string }

const REST_WORDS = {
  air: W.aboveSaturationSoAirInside,
  right: W.asItShouldBe,
  'no-liquid': W.belowSaturationSoNoLiquid,
} as const

/**
 * Everything a record says of its job, in the order of the work: for the screen and the paper alike.
 * @param at - a moment as the shop writes it
 */
export function recordFacts(state: JobState, say: Say, at: (iso: string) => string): RecordFact[] {
  const { opened, fix, signed } = state
  const { label, procedure } = opened
  const source = label.source === 'label' ? codeWords('label') : W.serviceManual
  const renewed = fix?.renewed.map((r) => `${RENEWED_WORDS[r.what].toLowerCase()} ×${r.count}`).join(', ') || 'nothing'
  const oil = fix && fix.oilOwedMl > 0 ? W.oilMl(fix.oilOwedMl, fix.oilReason) : ''
  return [
    { name: W.label, words: W.fromTheOil(label.refrigerant, label.typed, source, label.oilKind) },
    { name: W.recovered, words: state.recoveredG === undefined ? W.nothing : `${Math.round(state.recoveredG)} g` },
    { name: W.renewed, words: renewed + oil },
    {
      name: W.procedure,
      words: W.holdMin(procedure.name, say.vacuum(procedure.targetPa), procedure.holdMinutes),
    },
    ...state.pulls.map((p, i) => ({
      name: W.pull(i + 1),
      words:
        at(p.startedAt) +
        (p.endedAt ? W.min(Math.round((Date.parse(p.endedAt) - Date.parse(p.startedAt)) / MINUTE_MS)) : ''),
    })),
    ...sweptFact(state),
    ...state.holds.map((h, i) => ({ name: W.hold(i + 1), words: recordHoldWords(h, say) })),
    ...foundFacts(state, say),
    ...state.turns.map((t) => ({ name: W.backTo(STEP_NAMES[t.to]), words: `${at(t.at)}, ${t.by}: ${t.why}` })),
    ...endedFacts(state, say, at),
    chargedFact(state),
    ...state.proofs.map((p) => ({
      name: p.engine === 'idle' ? W.atIdle : W.at1500Rpm,
      words: W.lowHighVentAt(
        bothPressures(p.lowPaG, say),
        p.highPaG === null ? W.notRead : bothPressures(p.highPaG, say),
        say.celsius(p.ventC, 1),
        say.celsius(p.ambientC),
        p.note && `; ${p.note}`,
      ),
    })),
    ...(state.rest
      ? [
          {
            name: W.atRestCharged,
            words: W.atWord(
              bothPressures(state.rest.paG, say),
              say.celsius(state.rest.ambientC),
              REST_WORDS[restAfterCharge(state) ?? 'right'],
            ),
          },
        ]
      : []),
    { name: W.inPlainWords, words: customerWords(state, say) },
    ...(signed
      ? [
          {
            name: W.signed,
            strong: signed.by,
            words: W.readings(
              certificateWords(signed.certificate),
              at(signed.at),
              signed.readingCount.toLocaleString('en'),
            ),
          },
        ]
      : []),
  ]
}

function sweptFact({ sweeps }: JobState): RecordFact[] {
  if (sweeps.length === 0) return []
  const times = sweeps.reduce((sum, s) => sum + s.passes, 0)
  return [{ name: W.nitrogen, words: W.sweptTimesBy(times, [...new Set(sweeps.map((s) => s.by))].join(', ')) }]
}

function foundFacts(state: JobState, say: Say): RecordFact[] {
  const { hosesHeld, looked } = state
  const hoses = hosesHeld
    ? W.heldMin(Math.round(hosesHeld.minutes), hosesHeld.moved ? W.theyRose : W.theyStoodStill, hosesHeld.by)
    : null
  return [
    ...(hoses === null ? [] : [{ name: W.hosesAlone, words: hoses }]),
    ...(looked.length === 0
      ? []
      : [{ name: W.lookedForTheLeak, words: looked.map((l) => `${l.place}: ${l.found}`).join('; ') }]),
    ...leakRecord(state, say),
  ]
}

function endedFacts({ spent, accepted, closed }: JobState, say: Say, at: (iso: string) => string): RecordFact[] {
  return [
    ...spent.map((s) => ({
      name: W.chargedAndRecovered,
      words: W.wereChargedRecoveredAgain(say.mass(s.chargedG), say.mass(s.recoveredG), at(s.at)),
    })),
    ...(accepted
      ? [
          {
            name: W.knownToLeak,
            words: W.upToWorstCaseCharged(
              say.aYear(accepted.gramsPerYear),
              accepted.by,
              accepted.why,
              accepted.customer,
            ),
          },
        ]
      : []),
    ...(closed
      ? [{ name: W.endedEarly, words: `${CLOSED_LINES[closed.as]}: ${closed.why}; ${closed.by}, ${at(closed.at)}` }]
      : []),
  ]
}

function chargedFact(state: JobState): RecordFact {
  const inside = chargedG(state)
  const cans = state.counted?.emptied.length ?? 0
  const how = state.counted
    ? W.byWholeCountedNotWeighed(cans, cans === 1 ? W.can : W.cans)
    : W.ofG(Math.round(state.plan?.targetG ?? 0))
  const from = state.containers.map(
    (c) => `${c.id} ${Math.round(c.startGrossG)} to ${c.endGrossG === undefined ? '…' : Math.round(c.endGrossG)} g`,
  )
  return {
    name: W.charged,
    strong: `${Math.round(inside)} g, ${formatPoundsOunces(inside)}`,
    words: ` ${how}; ${from.join(', ')}`,
  }
}

/** How a hold ended: what it was accepted by, what it would have shown, and what stays unproved. */
export function recordHoldWords(h: Hold, say: Say): string {
  if (h.skipped) return W.skippedByNotProvedThat(h.skipped.by, h.skipped.why)
  if (!h.ended) return h.left ? W.leftUnjudgedBy(h.left.by, h.left.why) : W.running
  const { verdict, leak, heldS, provesGramsPerYear: proves } = h.ended
  const held = W.leakHeldMin(acceptedWords(h), verdict, chanceWords(leak), Math.round(heldS / 60))
  return [
    held,
    ...(proves === null ? [] : [W.wouldHaveShownALeak(say.aYear(proves))]),
    ...(h.shortened
      ? [W.endedAfterOfMinBy(Math.round(heldS / 60), h.plannedMinutes, h.shortened.by, h.shortened.why)]
      : []),
  ].join('. ')
}

/** By which rule a hold was accepted, and who did. */
function acceptedWords({ accepted, ended }: Hold): string {
  if (!accepted) return ''
  const rule = accepted.as === 'rule' && ended?.rule ? `: ${RULE_NAMES[ended.rule.id]}` : ''
  return W.acceptedBy(ACCEPTED_BY[accepted.as], rule, accepted.by)
}
