import { type Bend, EQUALISING } from './bends'
import type { Prior } from './candidates'
import { FIRST_BEND, FIRST_EQUALISING, HOSE, LEVEL, LINE } from './columns'
import { CrossProducts, type Noise } from './cross-products'
import type { Hypothesis } from './posterior'

/** What a curve is drawn by. */
type Drawn = Pick<Hypothesis, 'shape' | 'bend' | 'equalising' | 'hose'>

import type { HoldContext, HoldSample } from './types'

/** What hoses have added by a time, one function for each law, Pa. */
export type HoseLaws = readonly ((elapsedS: number) => number)[]

/** A record as it is fitted: its columns at every sample, and curves of hypotheses through it. */
export class Curve {
  readonly samples: readonly HoldSample[]
  private readonly bends: readonly Bend[]
  private readonly columns: Float64Array[]
  private readonly hose: HoseLaws
  private readonly linear: boolean
  private readonly barometerPa: number
  private last: CrossProducts | undefined

  constructor(samples: readonly HoldSample[], bends: readonly Bend[], context: HoldContext, hose: HoseLaws) {
    this.samples = samples
    this.bends = bends
    this.hose = hose
    // a needle follows a leak up to the air itself, where it bends; the transform makes it straight again
    this.linear = context.instrument !== 'needle'
    this.barometerPa = context.barometerPa
    this.columns = samples.map((s) => this.row(s.elapsedS, this.straightened(s.pressurePa)))
  }

  private straightened(pa: number): number {
    if (this.linear) return pa
    return this.barometerPa * Math.atanh(Math.min(0.985, pa / this.barometerPa))
  }

  private row(t: number, y: number): Float64Array {
    const row = new Float64Array(FIRST_BEND + this.bends.length + 1)
    row[LEVEL] = 1
    row[LINE] = t
    this.hose.forEach((of, law) => {
      row[HOSE + law] = of(t)
    })
    EQUALISING.forEach(({ tauS }, k) => {
      row[FIRST_EQUALISING + k] = Math.exp(-t / tauS)
    })
    this.bends.forEach((bend, k) => {
      row[FIRST_BEND + k] = bend.of(t)
    })
    row[FIRST_BEND + this.bends.length] = y
    return row
  }

  /** Sums of the record at this noise. */
  products({ sigma, correlationS }: Noise): CrossProducts {
    const products = new CrossProducts(FIRST_BEND + this.bends.length + 1, FIRST_BEND)
    this.samples.forEach((s, i) => {
      products.add(s.elapsedS, sigma[i] as number, correlationS, (row) => row.set(this.columns[i] as Float64Array))
    })
    this.last = products
    return products
  }

  /** Adds one sample to the sums last made, without looking at the others again. @param sigma - its noise, Pa */
  add(sample: HoldSample, sigma: number, correlationS: number): CrossProducts {
    const products = this.last as CrossProducts
    const row = this.row(sample.elapsedS, this.straightened(sample.pressurePa))
    products.add(sample.elapsedS, sigma, correlationS, (into) => into.set(row))
    return products
  }

  /** Coefficients of a hypothesis by least squares: level, rise, what equalises and the bend; the hoses are given. */
  coefficients(
    h: Drawn,
    prior: Prior,
  ): { level: number; rise: number; equalising: number; height: number; hose: number; bent: number } {
    const products = this.last as CrossProducts
    const readings = FIRST_BEND + this.bends.length
    const gas = HOSE + h.hose.law
    const bends = h.hose.bent
    const bent = HOSE + (bends?.law ?? 0)
    const used = [
      LEVEL,
      LINE,
      ...(h.hose.spread > 0 ? [gas] : []),
      ...(bends ? [bent] : []),
      ...(h.equalising >= 0 ? [FIRST_EQUALISING + h.equalising] : []),
      ...(h.bend >= 0 ? [FIRST_BEND + h.bend] : []),
    ]
    const held = h.shape === 'tight' || h.shape === 'damp' ? 1 / prior.driftPaS ** 2 : 0
    const a = used.map((i) =>
      used.map(
        (j) =>
          products.get(i, j) +
          (i === j && i === LINE ? held : 0) +
          (i === j && i === gas ? 1 / h.hose.spread ** 2 : 0) +
          (i === j && bends && i === bent ? 1 / bends.spread ** 2 : 0) +
          (i === j && i >= FIRST_EQUALISING && i < FIRST_BEND ? 1 / prior.equalisingPa ** 2 : 0),
      ),
    )
    const b = used.map((i) => products.get(i, readings) - h.hose.times * products.get(i, gas))
    const x = solve(a, b)
    const of = (column: number) => {
      const at = used.indexOf(column)
      return at < 0 ? 0 : (x[at] as number)
    }
    return {
      level: of(LEVEL),
      rise: of(LINE),
      equalising: h.equalising >= 0 ? of(FIRST_EQUALISING + h.equalising) : 0,
      hose: h.hose.times + (h.hose.spread > 0 ? of(gas) : 0),
      bent: bends ? of(bent) : 0,
      height: h.bend >= 0 ? of(FIRST_BEND + h.bend) : 0,
    }
  }

  /** The curve of a hypothesis, Pa at a time; straightened where the record is. */
  through(h: Drawn, prior: Prior): (elapsedS: number) => number {
    const { level, rise, equalising, height, hose, bent } = this.coefficients(h, prior)
    const bend = h.bend >= 0 ? (this.bends[h.bend] as Bend).of : () => 0
    const gas = this.hose[h.hose.law] ?? (() => 0)
    const bends = (h.hose.bent && this.hose[h.hose.bent.law]) ?? (() => 0)
    const tau = h.equalising >= 0 ? (EQUALISING[h.equalising] as { tauS: number }).tauS : 1
    return (t) =>
      level + rise * t + height * bend(t) + equalising * Math.exp(-t / tau) + hose * gas(t) + bent * bends(t)
  }

  /** Readings less the curve of a hypothesis, Pa. */
  leftOver(h: Drawn, prior: Prior): Float64Array {
    const curve = this.through(h, prior)
    return Float64Array.from(this.samples, (s) => this.straightened(s.pressurePa) - curve(s.elapsedS))
  }
}

/** Solves a small symmetric system by elimination with pivots. */
function solve(a: number[][], b: number[]): number[] {
  const n = b.length
  const m = a.map((row, i) => [...row, b[i] as number])
  for (let c = 0; c < n; c++) {
    let p = c
    for (let r = c + 1; r < n; r++) if (Math.abs(m[r]?.[c] ?? 0) > Math.abs(m[p]?.[c] ?? 0)) p = r
    const swap = m[c] as number[]
    m[c] = m[p] as number[]
    m[p] = swap
    const pivot = m[c] as number[]
    if (Math.abs(pivot[c] as number) < 1e-300) continue
    for (let r = 0; r < n; r++) {
      if (r === c) continue
      const row = m[r] as number[]
      const f = (row[c] as number) / (pivot[c] as number)
      for (let k = c; k <= n; k++) row[k] = (row[k] as number) - f * (pivot[k] as number)
    }
  }
  return m.map((row, i) => (Math.abs(row[i] as number) < 1e-300 ? 0 : (row[n] as number) / (row[i] as number)))
}
