import { waterSaturationPa } from '../fluids/water'
import { CrossProducts } from '../hold/cross-products'
import { judgeHold } from '../hold/judge'
import { waterOfBend } from '../hold/judged'
import { leakGramsPerYear } from '../hold/leak-rate'
import type { HoldResult } from '../hold/types'
import { kelvin } from '../units/temperature'
import type { KnownRecord } from './records'

/** What an ideal observer could tell of a record (model.md section 6). */
export type Ideal = { tellable: boolean; chi2: number }

/** What is left of a rise, in squares of the noise, from which it can be told: a leak, and that there is none. */
export const LEAST_CHI2 = { leak: 20, tight: 9 } as const
const TIGHT_LEAK_PA_M3_S = 6e-6
const TAUS_S = [20, 40, 80, 150, 250, 400, 650, 1000, 1500, 2200, 3000]
const EQUALISING_S = [0, 30, 100, 250]

/**
 * Whether the leak of a record, or the absence of one, could be told by somebody who knows the noise and the leak-free
 * curve, and fits every leak-free shape anew (model.md section 6).
 */
export function idealObserver(record: KnownRecord): Ideal {
  const { truth, context } = record
  const cubic = context.volumeL / 1000
  const airPaM3S = truth.leakPaM3S > 0 ? truth.leakPaM3S : TIGHT_LEAK_PA_M3_S
  if (context.instrument === 'needle') {
    const span = (record.samples[record.samples.length - 1]?.elapsedS ?? 0) as number
    const rise = (airPaM3S / cubic) * span
    const reading = truth.noisePa[0] as number
    const weather = context.barometerRead ? 0 : 340 * Math.sqrt(span / 43_200)
    const room = waterSaturationPa(kelvin(context.ambientC)) - (truth.leakFreePa[0] as number)
    const sigma = Math.hypot(Math.SQRT2 * reading, weather)
    return { tellable: rise > room + 4 * sigma, chi2: ((rise - room) / sigma) ** 2 }
  }
  const chi2 = Math.min(...TAUS_S.flatMap((tau) => EQUALISING_S.map((te) => misfit(record, airPaM3S / cubic, tau, te))))
  return { tellable: chi2 >= LEAST_CHI2[truth.leakPaM3S > 0 ? 'leak' : 'tight'], chi2 }
}

/**
 * What is left of a rise when every leak-free shape is fitted to it anew, in squares of the noise: level, temperature,
 * what equalises, the record's own leak-free change, of which there may be less, and a bend, which may be there in its
 * place. (With the own change held as it is, a slow pool beside a leak counted as told although less of it and a slower
 * bend explain both: of 60 pairs that could be told so 18 cannot.)
 */
function misfit({ samples, truth, context }: KnownRecord, risePaS: number, tau: number, te: number): number {
  const products = new CrossProducts(6)
  const leakFreePa = (i: number) => truth.leakFreePa[Math.min(truth.leakFreePa.length - 1, i)] as number
  const every = Math.max(1, Math.floor(samples.length / 400))
  const last = samples[samples.length - 1]?.elapsedS ?? 1
  let meanPa = 0
  let count = 0
  for (let i = 0; i < samples.length; i += every) {
    const s = samples[i] as { elapsedS: number; pressurePa: number }
    // averages of `every` samples with this correlation
    const spacing = last / samples.length
    const shared = Math.min(every, 1 + (2 * truth.correlationS) / spacing)
    const sigma = (truth.noisePa[Math.min(truth.noisePa.length - 1, i)] as number) * Math.sqrt(shared / every)
    products.add(s.elapsedS, sigma, truth.correlationS, (row) => {
      row[0] = 1
      row[1] = s.elapsedS / last
      row[2] = te > 0 ? Math.exp(-s.elapsedS / te) : 0
      row[3] = 1 - Math.exp(-s.elapsedS / tau)
      row[4] = leakFreePa(i) - leakFreePa(0)
      row[5] = risePaS * s.elapsedS
    })
    meanPa += leakFreePa(i)
    count++
  }
  const warming = ((1.5 / kelvin(context.ambientC)) * meanPa) / count / Math.sqrt(3)
  let g = products.without(0, Number.POSITIVE_INFINITY).products.without(1, warming).products
  if (te > 0) g = g.without(2, 0.3 * (samples[0]?.pressurePa ?? 10) + 2).products
  const room = Math.max(0, waterSaturationPa(kelvin(context.ambientC)) - (samples[0]?.pressurePa ?? 0))
  return leastOfTwo(g, [0, room], [-1, 0])
}

type Bounds = readonly [low: number, high: number]

/** What the last column leaves where the fourth and the fifth may take what they can of it, each within its bounds. */
function leastOfTwo(g: CrossProducts, ofBend: Bounds, ofOwn: Bounds): number {
  const [bend, own, rise] = [3, 4, 5]
  const [bb, oo, bo] = [g.get(bend, bend), g.get(own, own), g.get(bend, own)]
  const [br, or] = [g.get(bend, rise), g.get(own, rise)]
  const left = (h: number, c: number) =>
    g.get(rise, rise) - 2 * h * br - 2 * c * or + h * h * bb + 2 * h * c * bo + c * c * oo
  const bestOf = (towards: number, square: number, [low, high]: Bounds) =>
    Math.min(high, Math.max(low, square > 0 ? towards / square : 0))
  const inside = (x: number, [low, high]: Bounds) => x >= low && x <= high
  // convex: least at the foot of the bowl, or on an edge where that lies outside
  const det = bb * oo - bo * bo
  const foot = [(br * oo - or * bo) / det, (or * bb - br * bo) / det] as const
  if (det > 1e-9 * bb * oo && inside(foot[0], ofBend) && inside(foot[1], ofOwn)) return left(...foot)
  return Math.min(
    ...ofBend.map((h) => left(h, bestOf(or - h * bo, oo, ofOwn))),
    ...ofOwn.map((c) => left(bestOf(br - c * bo, bb, ofBend), c)),
  )
}

/**
 * Whether water is left that could raise the isolated volume by a pascal: a car that was pulled dry is dry, whatever
 * was in it.
 */
export const isDamp = ({ truth, context }: KnownRecord): boolean => truth.waterG > waterOfBend(DAMP_FROM_PA, context)
const DAMP_FROM_PA = 1

/** The figures the issue asks for, over many records. */
export type Score = {
  records: number
  leaksTellable: number
  leaksCalledTight: number
  cleanTellable: number
  cleanCalledLeak: number
  undecidedShare: number
  brierTellable: number
  brierAll: number
  /** mean of -ln of the chance given to what was so, nats */
  logAll: number
  leaks: number
  /** of the leaks, those whose rise lies in its interval; and of all: a tight car's nothing lies in nearly every one */
  coverage: number
  coverageOfAll: number
  /** intervals of the grams a year that hold the leak's own, of those that leak */
  gramsCovered: number
  /** of records said to leak with 0.9 and more, those that do; of those said 0.1 and less */
  surely: { leaking: number; of: number }
  hardly: { leaking: number; of: number }
  widthShare: number
  hidden: number
  dampAuc: number
  calledInvalid: number
}

/** A chance of nothing would make the log score endless. */
const LEAST_CHANCE = 1e-9

export type Scored = { record: KnownRecord; result: HoldResult; ideal: Ideal }

export function scoreOf(scored: readonly Scored[]): Score {
  const has = (s: Scored) => s.record.truth.leakPaM3S > 0
  const called = (s: Scored, ...verdicts: string[]) => verdicts.includes(s.result.verdict)
  const valid = scored.filter((s) => !called(s, 'invalid'))
  const tellable = valid.filter((s) => s.ideal.tellable)
  const leaks = tellable.filter(has)
  const cleanOnes = tellable.filter((s) => !has(s))
  const share = (part: readonly Scored[], test: (s: Scored) => boolean) =>
    part.length === 0 ? 0 : part.filter(test).length / part.length
  const chanceOfTruth = (s: Scored) =>
    Math.max(LEAST_CHANCE, has(s) ? s.result.probability.leak : 1 - s.result.probability.leak)
  const said = (test: (chance: number) => boolean) => {
    const part = valid.filter((s) => test(s.result.probability.leak))
    return { leaking: share(part, has), of: part.length }
  }
  const brier = (part: readonly Scored[]) =>
    part.reduce((sum, s) => sum + (s.result.probability.leak - (has(s) ? 1 : 0)) ** 2, 0) / Math.max(1, part.length)
  const rises = valid.filter((s) => s.result.sustainedRisePaS)
  const held = (s: Scored) => inside(s.record.truth.sustainedPaS, s.result.sustainedRisePaS)
  const width = (s: Scored) =>
    ((s.result.sustainedRisePaS?.high ?? 0) - (s.result.sustainedRisePaS?.low ?? 0)) / s.record.truth.sustainedPaS
  const widths = leaks.filter((s) => s.result.sustainedRisePaS).map(width)
  const tight = valid.filter((s) => called(s, 'tight', 'damp'))
  const yearly = (s: Scored) =>
    leakGramsPerYear(
      s.record.truth.leakPaM3S / (s.record.context.volumeL / 1000),
      s.record.context.volumeL,
      s.record.context.refrigerant,
      s.record.context.barometerPa,
    )
  return {
    records: scored.length,
    leaksTellable: leaks.length,
    leaksCalledTight: share(leaks, (s) => called(s, 'tight', 'damp')),
    cleanTellable: cleanOnes.length,
    cleanCalledLeak: share(
      valid.filter((s) => !has(s)),
      (s) => called(s, 'leak', 'leak-and-damp'),
    ),
    undecidedShare: share(tellable, (s) => called(s, 'undecided')),
    brierTellable: brier(tellable),
    brierAll: brier(valid),
    logAll: valid.reduce((sum, s) => sum - Math.log(chanceOfTruth(s)), 0) / Math.max(1, valid.length),
    gramsCovered: share(
      valid.filter((s) => has(s) && called(s, 'leak', 'leak-and-damp')),
      (s) => {
        const stated = s.result.leakGramsPerYear ?? { low: 0, high: 0 }
        const own = yearly(s)
        // a hole somewhere between the two kinds of flow the figures stand for
        const middle = Math.sqrt(own.low * own.high)
        return stated.low <= middle && middle <= stated.high
      },
    ),
    surely: said((chance) => chance >= 0.9),
    hardly: said((chance) => chance <= 0.1),
    leaks: rises.filter(has).length,
    coverage: share(rises.filter(has), held),
    coverageOfAll: share(rises, held),
    widthShare: widths.sort((a, b) => a - b)[widths.length >> 1] ?? Number.NaN,
    hidden: share(tight, (s) => yearly(s).high > (s.result.detectionLimitGramsPerYear?.high ?? 0)),
    dampAuc: areaUnder(
      valid.filter((s) => !has(s)).map((s) => ({ yes: isDamp(s.record), value: s.result.probability.damp })),
    ),
    calledInvalid: share(scored, (s) => called(s, 'invalid')),
  }
}

const inside = (value: number, interval: HoldResult['sustainedRisePaS']): boolean =>
  interval !== null && interval.low <= value && value <= interval.high

/** Chance that one that is has a higher figure than one that is not. */
function areaUnder(cases: readonly { yes: boolean; value: number }[]): number {
  const yes = cases.filter((c) => c.yes)
  const no = cases.filter((c) => !c.yes)
  let won = 0
  for (const a of yes) for (const b of no) won += a.value > b.value ? 1 : a.value === b.value ? 0.5 : 0
  return won / Math.max(1, yes.length * no.length)
}

/** Judges a record and says what could have been told. */
export const scored = (record: KnownRecord): Scored => ({
  record,
  result: judgeHold(record.samples, record.context),
  ideal: idealObserver(record),
})
