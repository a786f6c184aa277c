import { W } from '../language/pull/advisor'
import { USUAL_SAY } from '../units/say'
import type { AdviceKind, PullAdvice, PullLook } from './advice'
import { ADVICE_WORDS, carriedOffG } from './advice-words'
import { type Flow, flowOf } from './flow'
import type { Lead, PullPlan } from './planner'

/** Below a tenth of saturation water has mostly gone (model.md section 8). */
const BOILING_FROM_SHARE = 0.1
/** Deviations in ln(pressure) and in ln(pressure) a minute that an explanation forgives (assumed). */
const NEAR = 0.3
const SLOPE_NEAR = 0.012
/** What one look at the curve tells apart. */
type LookedFor = Exclude<AdviceKind, 'ballast'>
/** Chances before any reading (assumed): most pulls go as predicted. */
const CHANCE: Record<LookedFor, number> = { 'on-course': 0.5, boiling: 0.2, leak: 0.12, hoses: 0.09, pump: 0.09 }
const LOOKED_FOR = Object.keys(CHANCE) as LookedFor[]
/** A pull is called stuck only when it was flat for so long, s. */
const FLAT_S = 600

/** Explanations less likely than this are left out; one misfit speaks against them by no more than this, squared. */
const LEAST_SHOWN = 0.04
const MOST_AGAINST = 60
/** Against anything that is stuck while it was not flat for long enough, ln (assumed). */
const UNPROVEN = -1.5
/** A pull that is later than nine in ten, forgiven in ln(time) (assumed). */
const LATE_NEAR = 0.2
/** Boiling is a plateau that sinks slowly: ln(pressure) a minute, up to a tenth above saturation (assumed). */
const PLATEAU_PER_MIN = [-0.12, 0.01] as const
const BOILING_TO_SHARE = 1.1
const SLOPE_UNKNOWN = -1
/** It lies so much above where the rig would be dry by now, and so much above the deepest it ever gets (assumed). */
const ABOVE_DRY = 1.3
const WELL_ABOVE = 1.6
/**
 * Water carried off beyond what the story can have held, forgiven in ln(grams); what the story's grams say (assumed).
 */
const WATER_NEAR = 0.6
const LEAST_WATER_SAYS = 0.3
const MOST_WATER_SAYS = 2
/** Water boils for so long, s: before that something that boils is hardly a leak, ln (assumed). */
const BOILS_FOR_S = 3600
const STILL_WET = -1
/**
 * Where hoses hold it: about the deepest this rig gets; against them where that lies under the target, ln (assumed).
 */
const AT_FLOOR = [0.7, 1.5] as const
const GETS_THERE = -2
/** A worn pump reaches so many times its plate at most (assumed). */
const WORN_PUMP = 20

/**
 * Where a pull stands against its prediction and the shapes of model.md section 8.
 * @returns explanations with probabilities; heuristic likelihoods about the prediction, the boiling line, the rig's own
 *   dry floor and how flat it runs
 */
export function adviseOnPull(look: PullLook): PullAdvice {
  const last = look.readings[look.readings.length - 1]
  const nothing = { options: [], far: null, ahead: 1, incomingPaM3S: null, toTargetS: null }
  if (look.instrument === 'needle')
    return {
      ...nothing,
      blind: W.aNeedleSeesNothingOf,
    }
  if (!last) return { ...nothing, blind: W.theGaugeIsOverIts }
  const far = farOf(look, last.pressurePa)
  const flow = flowOf(look.readings, look.plan.dry, look.volumeL, far.pa / last.pressurePa)
  const toTargetS = look.forecast ? look.forecast.toTargetS : remaining(look, far.pa, last.tS)
  const facts = { look, farPa: far.pa, flow, toTargetS, say: look.say ?? USUAL_SAY }
  const stands = look.forecast?.stands ?? byThisLook(look, far.pa, last.tS, flow)
  const options = stands
    .map(({ kind, probability }) => ({ kind, probability, ...ADVICE_WORDS[kind](facts) }))
    .filter((o) => o.probability >= LEAST_SHOWN)
    .sort((a, b) => b.probability - a.probability)
  const stuck = options[0] !== undefined && isStuck(options[0].kind)
  return {
    options,
    far,
    ahead: far.pa / last.pressurePa,
    incomingPaM3S: flow.incomingPaM3S,
    toTargetS: stuck ? null : toTargetS,
    blind: null,
  }
}

/** What keeps a pull from its target, rather than what takes time. */
export const isStuck = (kind: AdviceKind): boolean => kind !== 'on-course' && kind !== 'boiling'

/** Chances by the shape of the last minutes alone, until a prediction of the rest is there. */
function byThisLook(look: PullLook, farPa: number, tS: number, flow: Flow): { kind: LookedFor; probability: number }[] {
  const scores = LOOKED_FOR.map((kind) => ({
    kind,
    score: Math.log(CHANCE[kind]) + likelihood(kind, look, farPa, tS, flow),
  }))
  const top = Math.max(...scores.map((s) => s.score))
  const total = scores.reduce((sum, s) => sum + Math.exp(s.score - top), 0)
  return scores.map(({ kind, score }) => ({ kind, probability: Math.exp(score - top) / total }))
}

/** The far side's pressure: the reading itself there, an estimate with its band when only the pump's end is read. */
function farOf(look: PullLook, readPa: number): NonNullable<PullAdvice['far']> {
  if (look.gaugeAt === 'far') return { pa: readPa, lowPa: readPa, highPa: readPa }
  const lead = leadAt(look.plan.lead, readPa)
  return {
    pa: Math.max(readPa, lead.farPa),
    lowPa: Math.max(readPa, lead.farLowPa),
    highPa: Math.max(readPa, lead.farHighPa),
  }
}

/** Straight between two levels in logarithms. */
export function leadAt(lead: readonly Lead[], pumpPa: number): Lead {
  const first = lead[0]
  const last = lead[lead.length - 1]
  if (!first || !last) return { pumpPa, farLowPa: pumpPa, farPa: pumpPa, farHighPa: pumpPa }
  if (pumpPa >= first.pumpPa) return scaled(first, pumpPa)
  const at = lead.findIndex((l) => l.pumpPa <= pumpPa)
  if (at < 0) return scaled(last, pumpPa)
  const [a, b] = [lead[at - 1] as Lead, lead[at] as Lead]
  const share = Math.log(a.pumpPa / pumpPa) / Math.log(a.pumpPa / b.pumpPa || 1)
  const between = (of: (l: Lead) => number) => Math.exp(Math.log(of(a)) + share * (Math.log(of(b)) - Math.log(of(a))))
  return {
    pumpPa,
    farLowPa: between((l) => l.farLowPa),
    farPa: between((l) => l.farPa),
    farHighPa: between((l) => l.farHighPa),
  }
}

function scaled(l: Lead, pumpPa: number): Lead {
  const f = pumpPa / l.pumpPa
  return { pumpPa, farLowPa: l.farLowPa * f, farPa: l.farPa * f, farHighPa: l.farHighPa * f }
}

const square = (x: number): number => -0.5 * Math.min(MOST_AGAINST, x * x)
const outside = (x: number, low: number, high: number): number => (x < low ? low - x : x > high ? x - high : 0)

function likelihood(kind: LookedFor, look: PullLook, farPa: number, tS: number, flow: Flow): number {
  const ln = Math.log(farPa)
  const flat = flow.slopePerMin === null ? 0 : square(flow.slopePerMin / SLOPE_NEAR)
  const unproven = tS < FLAT_S || flow.flatS < FLAT_S ? UNPROVEN : 0
  switch (kind) {
    case 'on-course': {
      const { lowPa, highPa } = bandAt(look.plan, tS)
      const rising = Math.max(0, flow.slopePerMin ?? 0)
      // still above the target after nine in ten are there, or flat for longer than the prediction ever is above it
      const { p90S } = look.plan
      const late = farPa > look.targetPa && p90S !== null && tS > p90S ? square(Math.log(tS / p90S) / LATE_NEAR) : 0
      const stuck = farPa > look.targetPa && flow.flatS > FLAT_S ? square((flow.flatS - FLAT_S) / FLAT_S) : 0
      return square(outside(ln, Math.log(lowPa), Math.log(highPa)) / NEAR) + square(rising / SLOPE_NEAR) + late + stuck
    }
    case 'boiling': {
      const place = outside(
        ln,
        Math.log(BOILING_FROM_SHARE * look.waterBoilsPa),
        Math.log(BOILING_TO_SHARE * look.waterBoilsPa),
      )
      // boiling is a plateau that sinks slowly, and wants water that the story knows of
      const slow =
        flow.slopePerMin === null ? SLOPE_UNKNOWN : square(outside(flow.slopePerMin, ...PLATEAU_PER_MIN) / SLOPE_NEAR)
      const above = square(Math.max(0, Math.log(ABOVE_DRY * bandAt(look.plan, tS).dryPa) - ln) / NEAR)
      // more carried off by now than such a story has: it is less and less likely water
      const beyond = square(Math.max(0, Math.log((carriedOffG(look, flow) ?? 0) / look.waterMostG || 1)) / WATER_NEAR)
      return (
        square(place / NEAR) +
        slow +
        above +
        beyond +
        Math.log(Math.min(MOST_WATER_SAYS, LEAST_WATER_SAYS + look.waterG))
      )
    }
    case 'leak': {
      // flat, deep under the boiling line or as flat as no boiling is, far above what this rig reaches dry
      const above = square(Math.max(0, Math.log(WELL_ABOVE * floorOf(look.plan)) - ln) / NEAR)
      const wet = farPa > BOILING_FROM_SHARE * look.waterBoilsPa && flow.flatS < BOILS_FOR_S ? STILL_WET : 0
      return flat + above + unproven + wet
    }
    case 'hoses':
      return (
        flat +
        square(
          outside(ln, Math.log(AT_FLOOR[0] * floorOf(look.plan)), Math.log(AT_FLOOR[1] * floorOf(look.plan))) / NEAR,
        ) +
        unproven +
        (floorOf(look.plan) < look.targetPa ? GETS_THERE : 0)
      )
    case 'pump':
      return (
        flat +
        square(Math.max(0, Math.log(WELL_ABOVE * floorOf(look.plan)) - ln) / NEAR) +
        square(Math.max(0, ln - Math.log(WORN_PUMP * look.ultimatePa)) / NEAR) +
        unproven
      )
    default: {
      const unknown: never = kind
      return unknown
    }
  }
}

/** The deepest this rig gets within the plan's horizon, dry and tight. */
const floorOf = (plan: PullPlan): number => Math.min(...plan.dry.farPa)

function bandAt({ band, dry }: PullPlan, tS: number): { lowPa: number; highPa: number; dryPa: number } {
  const at = Math.max(
    0,
    Math.min(band.tS.length - 1, Math.round(tS / Math.max(1e-9, (band.tS[1] ?? 1) - (band.tS[0] ?? 0)))),
  )
  return {
    lowPa: band.lowPa[at] as number,
    highPa: band.highPa[at] as number,
    dryPa: dry.farPa[Math.min(dry.farPa.length - 1, at)] as number,
  }
}

/** Time left by the predicted pull that stands where this one does; null when none reaches the target. */
function remaining({ plan, targetPa }: PullLook, farPa: number, tS: number): number | null {
  if (farPa <= targetPa) return 0
  const { band } = plan
  const middle = band.tS.map((_t, i) => Math.sqrt((band.lowPa[i] as number) * (band.highPa[i] as number)))
  const when = (pa: number) => middle.findIndex((m) => m <= pa)
  const [here, there] = [when(farPa), when(targetPa)]
  if (there < 0) return null
  const from = here < 0 ? tS : (band.tS[here] as number)
  return Math.max(60, (band.tS[there] as number) - from)
}
