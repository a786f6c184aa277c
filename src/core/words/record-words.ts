import { certificateWords } from '../job/certificate'
import { chargedG, type Hold, type JobState } from '../job/state'
import { STEP_NAMES } from '../job/steps'
import { CLOSED_LINES } from '../job/summary'
import { leakRecord } from '../leak/proved'
import { customerWords, restAfterCharge } from '../prove/proof-history'
import { chanceWords } from '../units/chance'
import { formatPoundsOunces } from '../units/mass'
import { bothPressures, type Say } from '../units/say'
import { ACCEPTED_BY } from './event-words'
import { RENEWED_WORDS } from './renewed'

/** A line of the record: what it is of, its figure where one leads, and the rest. */
export type RecordFact = { name: string; strong?: string; words: string }

const REST_WORDS = {
  air: 'above saturation, so air inside',
  right: 'as it should be',
  'no-liquid': 'below saturation, so no liquid left',
} as const

/**
 * Everything a record says of its job, in the order of the work: for the screen and the paper alike.
 * @param at - a moment as the shop writes it
 */
export function recordFacts(state: JobState, say: Say, at: (iso: string) => string): RecordFact[] {
  const { opened, fix, signed } = state
  const { label, procedure } = opened
  const source = label.source === 'label' ? 'label' : 'service manual'
  const renewed = fix?.renewed.map((r) => `${RENEWED_WORDS[r.what].toLowerCase()} ×${r.count}`).join(', ') || 'nothing'
  const oil = fix && fix.oilOwedMl > 0 ? `; oil ${fix.oilOwedMl} mL, ${fix.oilReason}` : ''
  return [
    { name: 'Label', words: `${label.refrigerant}, ${label.typed}, from the ${source}; oil ${label.oilKind}` },
    { name: 'Recovered', words: state.recoveredG === undefined ? 'nothing' : `${Math.round(state.recoveredG)} g` },
    { name: 'Renewed', words: renewed + oil },
    {
      name: 'Procedure',
      words: `${procedure.name}: ${say.vacuum(procedure.targetPa)}, hold ${procedure.holdMinutes} min`,
    },
    ...state.pulls.map((p, i) => ({
      name: `Pull ${i + 1}`,
      words: `${at(p.startedAt)}${p.endedAt ? `, ${Math.round((Date.parse(p.endedAt) - Date.parse(p.startedAt)) / 60_000)} min` : ''}`,
    })),
    ...sweptFact(state),
    ...state.holds.map((h, i) => ({ name: `Hold ${i + 1}`, words: recordHoldWords(h, say) })),
    ...foundFacts(state, say),
    ...state.turns.map((t) => ({ name: `Back to ${STEP_NAMES[t.to]}`, words: `${at(t.at)}, ${t.by}: ${t.why}` })),
    ...endedFacts(state, say, at),
    chargedFact(state),
    ...state.proofs.map((p) => ({
      name: p.engine === 'idle' ? 'At idle' : 'At 1,500 rpm',
      words:
        `low ${bothPressures(p.lowPaG, say)}; high ${p.highPaG === null ? 'not read' : bothPressures(p.highPaG, say)}; ` +
        `vent ${say.celsius(p.ventC, 1)} at ${say.celsius(p.ambientC)}${p.note && `; ${p.note}`}`,
    })),
    ...(state.rest
      ? [
          {
            name: 'At rest, charged',
            words: `${bothPressures(state.rest.paG, say)} at ${say.celsius(state.rest.ambientC)}: ${REST_WORDS[restAfterCharge(state) ?? 'right']}`,
          },
        ]
      : []),
    { name: 'In plain words', words: customerWords(state, say) },
    ...(signed
      ? [
          {
            name: 'Signed',
            strong: signed.by,
            words: `, ${certificateWords(signed.certificate)}, ${at(signed.at)}; ${signed.readingCount.toLocaleString('en')} readings`,
          },
        ]
      : []),
  ]
}

function sweptFact({ sweeps }: JobState): RecordFact[] {
  if (sweeps.length === 0) return []
  const times = sweeps.reduce((sum, s) => sum + s.passes, 0)
  return [{ name: 'Nitrogen', words: `swept ${times} times, by ${[...new Set(sweeps.map((s) => s.by))].join(', ')}` }]
}

function foundFacts(state: JobState, say: Say): RecordFact[] {
  const { hosesHeld, looked } = state
  const hoses = hosesHeld
    ? `held ${Math.round(hosesHeld.minutes)} min: ${hosesHeld.moved ? 'they rose' : 'they stood still'}, ${hosesHeld.by}`
    : null
  return [
    ...(hoses === null ? [] : [{ name: 'Hoses alone', words: hoses }]),
    ...(looked.length === 0
      ? []
      : [{ name: 'Looked for the leak', words: looked.map((l) => `${l.place}: ${l.found}`).join('; ') }]),
    ...leakRecord(state, say),
  ]
}

function endedFacts({ spent, accepted, closed }: JobState, say: Say, at: (iso: string) => string): RecordFact[] {
  return [
    ...spent.map((s) => ({
      name: 'Charged and recovered',
      words: `${say.mass(s.chargedG)} were charged, ${say.mass(s.recoveredG)} recovered again, ${at(s.at)}`,
    })),
    ...(accepted
      ? [
          {
            name: 'Known to leak',
            words:
              `up to ${say.aYear(accepted.gramsPerYear)}, worst case; charged all the same by ${accepted.by}: ` +
              `${accepted.why}; the customer: ${accepted.customer}`,
          },
        ]
      : []),
    ...(closed
      ? [{ name: 'Ended early', words: `${CLOSED_LINES[closed.as]}: ${closed.why}; ${closed.by}, ${at(closed.at)}` }]
      : []),
  ]
}

function chargedFact(state: JobState): RecordFact {
  const inside = chargedG(state)
  const cans = state.counted?.emptied.length ?? 0
  const how = state.counted
    ? `by ${cans} whole ${cans === 1 ? 'can' : 'cans'} counted, not weighed`
    : `of ${Math.round(state.plan?.targetG ?? 0)} g`
  const from = state.containers.map(
    (c) => `${c.id} ${Math.round(c.startGrossG)} to ${c.endGrossG === undefined ? '…' : Math.round(c.endGrossG)} g`,
  )
  return {
    name: 'Charged',
    strong: `${Math.round(inside)} g, ${formatPoundsOunces(inside)}`,
    words: ` ${how}; ${from.join(', ')}`,
  }
}

/** How a hold ended: what it was accepted by, what it would have shown, and what stays unproved. */
export function recordHoldWords(h: Hold, say: Say): string {
  if (h.skipped)
    return `skipped by ${h.skipped.by}: ${h.skipped.why}. Not proved: that it is tight, and that it is dry.`
  if (!h.ended) return h.left ? `left unjudged by ${h.left.by}: ${h.left.why}` : 'running'
  const { verdict, leak, heldS, provesGramsPerYear: proves } = h.ended
  const held = `${acceptedWords(h)}${verdict}, leak ${chanceWords(leak)}; held ${Math.round(heldS / 60)} min`
  return [
    held,
    ...(proves === null
      ? []
      : [
          `Would have shown a leak of ${say.aYear(proves)}, worst case; not proved: a smaller one, a core under its ` +
            'coupler, a seal that opens under pressure only',
        ]),
    ...(h.shortened
      ? [`Ended after ${Math.round(heldS / 60)} of ${h.plannedMinutes} min by ${h.shortened.by}: ${h.shortened.why}`]
      : []),
  ].join('. ')
}

/** By which rule a hold was accepted, and who did. */
function acceptedWords({ accepted, ended }: Hold): string {
  if (!accepted) return ''
  const rule = accepted.as === 'rule' && ended?.rule ? `: ${ended.rule.words}` : ''
  return `accepted by ${ACCEPTED_BY[accepted.as]}${rule} (${accepted.by}); `
}
