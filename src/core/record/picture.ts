import { seatRead } from '../job/gauge-seat'
import { type JobState, lostG, openContainer } from '../job/state'
import { W } from '../language/record/picture'
import { bandsFor, PROOF_SCALES, type ProofKey } from '../prove/bands'
import { bottomOf, depthShare, drawnPa, type Strata, strataOf } from '../pull/strata'
import { chanceWords } from '../units/chance'
import { MINUTE_MS } from '../units/constants'
import type { CurvePoint } from '../views'

/**
 * A pull or a hold in the picture: its part of the width, shares of it 0 to 1, and its curve as [across, deep]
 * shares.
 */
export type PictureSpan = {
  kind: 'pull' | 'hold'
  n: number
  from: number
  to: number
  minutes: number
  /** what a hold came to, and the chances it left; empty for a pull */
  verdict: string
  left: string
  points: [number, number][]
}

/** A container's part of what went in: from and to as grams in the car. */
export type PictureGrams = { id: string; fromG: number; toG: number; startGrossG: number; endGrossG: number }

/** A job's record in one picture, without a size: the descent with its holds, the charge, the proof on its bands. */
export type RecordPicture = {
  strata: Strata
  /** depth shares 0 (the air) to 1 (the bottom) of the strata's lines */
  lines: Record<'needle' | 'boils' | 'target' | 'floor', number>
  spans: PictureSpan[]
  /** no readings were kept: the spans have no curves */
  unread: boolean
  charge: { parts: PictureGrams[]; totalG: number; targetG: number; lowG: number; highG: number; topG: number } | null
  proof: {
    key: ProofKey
    name: string
    /** shares of the scale */
    band: [number, number]
    readings: { share: number; value: number; engine: 'idle' | 'at-speed' }[]
  }[]
}

/** The least share of the width a span has, so that a hold of five minutes beside a night is seen. */
const LEAST_SHARE = 0.12

/**
 * Everything a job's record is drawn from, on screen and on paper.
 * @param vacuum - its readings, Pa absolute, in order of job time
 * @param unit - what its vacuum came in
 */
export function recordPicture(state: JobState, vacuum: readonly CurvePoint[], unit?: string): RecordPicture {
  const { place, procedure, rig } = state.opened
  const strata = strataOf(place.barometerPa, place.ambientC, procedure.targetPa, rig.ultimatePa)
  const deep = (pa: number) => depthShare(pa, strata.airPa, bottomOf(strata))
  const gauge = seatRead(rig, unit) === 'needle' ? 'needle' : 'electronic'
  const spans = spansOf(state, vacuum.at(-1)?.at ?? 0).map(({ fromMs, toMs, ...span }) => ({
    ...span,
    points: vacuum
      .filter((p) => p.at >= fromMs && p.at <= toMs)
      .map((p): [number, number] => [
        span.from + ((p.at - fromMs) / Math.max(1, toMs - fromMs)) * (span.to - span.from),
        deep(drawnPa(gauge, p.value)),
      ]),
  }))
  return {
    strata,
    lines: {
      needle: deep(strata.needleLimitPa),
      boils: deep(strata.waterBoilsPa),
      target: deep(strata.targetPa),
      floor: deep(strata.pumpFloorPa),
    },
    spans,
    unread: spans.every((s) => s.points.length === 0),
    charge: chargeOf(state),
    proof: proofOf(state),
  }
}

/** @param readMs - when it was read last: what runs still goes so far */
function spansOf(state: JobState, readMs: number) {
  const pulls = state.pulls.map((p, i) => ({
    kind: 'pull' as const,
    n: i + 1,
    fromMs: Date.parse(p.startedAt),
    toMs: p.endedAt ? Date.parse(p.endedAt) : Math.max(readMs, Date.parse(p.startedAt)),
    verdict: '',
    left: '',
  }))
  const holds = state.holds.flatMap((h, i) => {
    const fromMs = Date.parse(h.isolatedAt)
    const goesOn = h.skipped ? fromMs : Math.max(readMs, fromMs)
    const toMs = h.ended ? fromMs + h.ended.heldS * 1000 : h.left ? Date.parse(h.left.at) : goesOn
    const verdict = h.skipped ? 'skipped' : h.left ? W.leftUnjudged : (h.ended?.verdict ?? 'running')
    const left = h.ended ? W.leakWater(chanceWords(h.ended.leak), chanceWords(h.ended.damp)) : ''
    return [{ kind: 'hold' as const, n: i + 1, fromMs, toMs, verdict, left }]
  })
  const all = [...pulls, ...holds].sort((a, b) => a.fromMs - b.fromMs)
  const longest = all.reduce((sum, s) => sum + Math.sqrt(Math.max(1, s.toMs - s.fromMs)), 0)
  // by the root of its time: a night beside a quarter of an hour leaves both room
  const wide = all.map((s) => Math.max(LEAST_SHARE, Math.sqrt(Math.max(1, s.toMs - s.fromMs)) / longest))
  const sum = wide.reduce((a, b) => a + b, 0)
  let at = 0
  return all.map((s, i) => {
    const from = at
    at += (wide[i] as number) / sum
    return { ...s, from, to: at, minutes: (s.toMs - s.fromMs) / MINUTE_MS }
  })
}

function chargeOf(state: JobState): RecordPicture['charge'] {
  const { label } = state.opened
  const targetG = state.counted?.targetG ?? state.plan?.targetG
  let inG = 0
  const parts = state.containers.flatMap((c): PictureGrams[] => {
    if (c.endGrossG === undefined) return []
    const { purgeG, hoseG } = lostG(state, c.id)
    const fromG = inG
    inG += Math.max(0, c.startGrossG - c.endGrossG - purgeG - hoseG)
    return [{ id: c.id, fromG, toG: inG, startGrossG: c.startGrossG, endGrossG: c.endGrossG }]
  })
  for (const [i, can] of (state.counted?.emptied ?? []).entries()) {
    parts.push({
      id: W.can(i + 1),
      fromG: inG,
      toG: inG + can.estimateG,
      startGrossG: Number.NaN,
      endGrossG: Number.NaN,
    })
    inG += can.estimateG
  }
  if (targetG === undefined || (parts.length === 0 && !openContainer(state))) return null
  const [lowG, highG] = [label.lowG - label.toleranceG, label.highG + label.toleranceG]
  return { parts, totalG: inG, targetG, lowG, highG, topG: 1.12 * Math.max(inG, targetG, highG) }
}

function proofOf(state: JobState): RecordPicture['proof'] {
  if (state.proofs.length === 0) return []
  const bands = bandsFor(state, state.proofs[state.proofs.length - 1])
  return PROOF_SCALES.map(({ key, name, from, to }) => {
    const share = (v: number) => Math.min(1, Math.max(0, (v - from) / (to - from)))
    return {
      key,
      name,
      band: [share(bands[key][0]), share(bands[key][1])],
      readings: state.proofs.flatMap((p) => {
        const value = p[key]
        return value === null ? [] : [{ share: share(value), value, engine: p.engine ?? 'at-speed' }]
      }),
    }
  })
}
