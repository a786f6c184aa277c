import type { HoldEnded, RENEWED } from '../job/events'
import { gaugeSeat } from '../job/gauge-seat'
import { chargedG, countsAsWork, type JobState } from '../job/state'

/** A hold of a car's history; leaks in g of its refrigerant a year, which no volume or length changes. */
export type CarHold = {
  at: string
  /** Seconds; 0 where a former life's line does not say. */
  heldS: number
  verdict: HoldEnded['verdict']
  /** what it leaked by; null where no leak was found */
  leakGramsPerYear: number | null
  /** no leak above this would have gone unseen; null where it proved nothing */
  provesGramsPerYear: number | null
}

/** One visit of a car: what came out of it, what went in, what was found and renewed. Masses g, job time ISO 8601. */
export type CarVisit = {
  jobId: string
  at: string
  refrigerant: string
  /** what it brought; null where nothing was weighed out of it */
  recoveredG: number | null
  /** what was weighed in, how far off that may be (95 %), and when; null where nothing was charged */
  charged: { grams: number; plusMinusG: number; at: string; counted: boolean } | null
  /** what went in less what was planned, g; null where nothing was charged or planned */
  offTargetG: number | null
  /** the least and the middle the label allows */
  leastG: number
  labelG: number
  /**
   * the deepest its vacuum was read, Pa, and whether a needle read it; null where nothing was read, or it is not
   * ended
   */
  deepest: { pa: number; byNeedle: boolean } | null
  holds: CarHold[]
  renewed: { what: (typeof RENEWED)[number]; count: number }[]
  /** places a leak was found and mended at */
  mended: string[]
  notes: string[]
  procedure: string
  ended: 'signed' | 'closed' | 'open' | 'former'
}

/**
 * Two weights of one scale, each half a step off, and what a hose may keep: how far off a charge is at least, g
 * (assumed).
 */
const LEAST_DOUBT_G = 5

/**
 * What a job was for its car; training tells nothing of it. @param deepestPa - of its readings, where they are at
 * hand
 */
export function visitOf(jobId: string, state: JobState, deepestPa: number | null = null): CarVisit | null {
  if (!countsAsWork(state)) return null
  const { opened } = state
  const ended = state.containers.flatMap((c) => (c.endedAt ? [c.endedAt] : [])).sort()
  const emptied = state.counted?.emptied ?? []
  const grams = chargedG(state)
  const band = state.plan?.bandG
  const counted = emptied.length > 0
  const plusMinusG = counted
    ? Math.hypot(...emptied.map((e) => e.plusMinusG))
    : Math.max(LEAST_DOUBT_G, 2 * opened.rig.scaleStepG, band ? (band[1] - band[0]) / 2 : 0)
  const at = ended.at(-1) ?? emptied.at(-1)?.at ?? null
  const targetG = state.counted?.targetG ?? state.plan?.targetG
  return {
    jobId,
    at: state.openedAt,
    refrigerant: opened.label.refrigerant,
    recoveredG: state.recoveredG ?? null,
    charged: at !== null && grams > 0 ? { grams, plusMinusG, at, counted } : null,
    offTargetG: at !== null && grams > 0 && targetG !== undefined ? grams - targetG : null,
    leastG: opened.label.lowG - opened.label.toleranceG,
    labelG: (opened.label.lowG + opened.label.highG) / 2,
    deepest: deepestPa === null ? null : { pa: deepestPa, byNeedle: gaugeSeat(opened.rig) === 'needle' },
    holds: state.holds.flatMap(({ isolatedAt, ended: e }) =>
      e
        ? [
            {
              at: isolatedAt,
              heldS: e.heldS,
              verdict: e.verdict,
              leakGramsPerYear: e.verdict === 'leak' || e.verdict === 'leak-and-damp' ? e.leakGramsPerYear : null,
              provesGramsPerYear: e.provesGramsPerYear,
            },
          ]
        : [],
    ),
    renewed: [...(state.fix?.renewed ?? [])],
    mended: state.leaksFound.map((l) => l.at),
    notes: state.notes.map((n) => n.text),
    procedure: opened.procedure.name,
    ended: state.signed ? 'signed' : state.closed ? 'closed' : 'open',
  }
}
