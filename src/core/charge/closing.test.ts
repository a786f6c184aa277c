import { expect, test } from 'vitest'
import { normalPair, seededRandom } from '../units/seeded'
import { closingOf, flowNow, type Lead, learnLead, STRANGER, TOP_UP_OPENING } from './closing'
import type { ScaleReading } from './scale-watch'

/** A charge on a seeded bench: flow, a hand with its delay, a scale with its step, read once a second. */
class Bench {
  readonly readings: ScaleReading[] = []
  private t = 0
  private gross = 1400
  private open = 0
  private readonly random: () => number
  readonly flowGS: number
  readonly stepG: number
  readonly delayS: number

  constructor(seed: number) {
    this.random = seededRandom(seed * 101 + 3)
    for (let i = 0; i < 7; i++) this.random()
    this.flowGS = (20 * 30 ** this.random()) / 60
    this.stepG = [2, 5, 10][Math.floor(this.random() * 3)] as number
    this.delayS = 1 + 3 * this.random()
  }

  /**
   * Lets it flow until somebody says the word, in so many seconds from a reading; then the hand takes its time, and the
   * hose empties itself.
   */
  flowUntil(word: (readings: readonly ScaleReading[]) => number | null, opening = 1, mostS = 4000): void {
    this.open = opening
    let closesAt = Number.POSITIVE_INFINITY
    const until = this.t + mostS
    while (this.t < until) {
      this.second()
      const inS = closesAt === Number.POSITIVE_INFINITY ? word(this.readings) : null
      if (inS !== null)
        closesAt = this.t + Math.max(0, inS) + Math.max(0.3, this.delayS + 0.2 * normalPair(this.random)[0])
      if (this.t + 1 > closesAt) {
        this.flow(closesAt - this.t)
        this.open = 0
        break
      }
    }
    // what still flows: the rest of the valve's travel and the hose
    this.gross -= opening * this.flowGS * 0.3
    const rest = Math.ceil(this.t) + 6
    while (this.t < rest) this.second()
  }

  private flow(s: number): void {
    this.gross -= this.open * this.flowGS * s * (1 + 0.03 * normalPair(this.random)[0])
    this.t += s
  }

  private second(): void {
    this.flow(1)
    const shown = Math.round((this.gross + 0.3 * normalPair(this.random)[0]) / this.stepG) * this.stepG
    this.readings.push({ tS: this.t, grams: shown })
  }

  get trueG(): number {
    return this.gross
  }
  get shownG(): number {
    return this.readings.at(-1)?.grams as number
  }
}

/** Closes by the countdown, and again for the rest if it was stopped short. */
function charged(seed: number, stopG: number): { bench: Bench; lead: Lead } {
  const bench = new Bench(seed)
  let lead = STRANGER
  for (let go = 0; go < 3; go++) {
    const from = bench.readings.length
    let said: { g: number; flow: number } | null = null
    // the rest is let in through a valve a quarter open
    const opening = go === 0 ? 1 : TOP_UP_OPENING
    bench.flowUntil((all) => {
      const own = all.slice(from)
      const closing = closingOf(own, stopG, bench.stepG, lead)
      // so little is left that the flow cannot be measured again: by the flow as it was
      const rest = ((all[from - 1]?.grams ?? 0) - stopG) / (opening * bench.flowGS) - own.length - lead.meanS
      const inS = closing ? closing.inS : go > 0 ? rest : Number.POSITIVE_INFINITY
      if (inS > 1) return null
      if (closing) said = { g: closing.nowG - (Math.max(0, inS) * closing.flowGMin) / 60, flow: closing.flowGMin / 60 }
      return inS
    }, opening)
    const ended = bench.readings.slice(-4).reduce((s, r) => s + r.grams, 0) / 4
    const done = said as { g: number; flow: number } | null
    if (done) lead = learnLead(lead, done.g, ended, done.flow, bench.stepG)
    if (ended - stopG < Math.max(3, 0.6 * bench.stepG)) break
  }
  return { bench, lead }
}

const SEEDS = Array.from({ length: 50 }, (_, i) => i + 1)
const TARGET_G = 900

test('fifty charges land on the gram or the scale’s step, beside hands that close when the target shows', () => {
  const off = SEEDS.map((seed) => {
    const { bench } = charged(seed, TARGET_G)
    return { by: Math.abs(bench.trueG - TARGET_G), stepG: bench.stepG, flow: bench.flowGS }
  })
  const plain = SEEDS.map((seed) => {
    const bench = new Bench(seed)
    bench.flowUntil((all) => ((all.at(-1)?.grams ?? 9e9) <= TARGET_G ? 0 : null))
    return Math.abs(bench.trueG - TARGET_G)
  })
  const middle = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1] as number
  // in steps of what is allowed: three grams or one step in the median, eight or two at worst
  expect(middle(off.map((o) => o.by / Math.max(3, o.stepG)))).toBeLessThanOrEqual(1)
  expect(off.filter((o) => o.by > Math.max(8, 2 * o.stepG))).toEqual([])
  expect(middle(plain)).toBeGreaterThan(2 * middle(off.map((o) => o.by)))
})

test('a hand is learned from its first closing', () => {
  const hands = Array.from({ length: 200 }, (_, i) => i + 1)
    .map((seed) => charged(seed, TARGET_G))
    .filter(({ bench, lead }) => lead.seen > 0 && (0.4 * bench.stepG) / bench.flowGS < 0.3)
  expect(hands.length).toBeGreaterThan(5)
  for (const { bench, lead } of hands) {
    // the valve's travel and the hose count as the hand's
    expect(Math.abs(lead.meanS - bench.delayS - 0.3)).toBeLessThan(0.8)
    expect(lead.spreadS).toBeLessThan(0.6 * STRANGER.spreadS)
  }
  // what no hand can be teaches nothing
  expect(learnLead(STRANGER, 500, 900, 2, 2)).toEqual(STRANGER)
  expect(learnLead(STRANGER, 500, 400, 0, 2)).toEqual(STRANGER)
})

test('flow is measured through a coarse step', () => {
  const readings = Array.from({ length: 60 }, (_, i) => ({ tS: i, grams: Math.round((1000 - 2.5 * i) / 10) * 10 }))
  expect(flowNow(readings, 10)?.gramsPerS).toBeCloseTo(2.5, 0)
  expect(flowNow(readings.slice(0, 2), 10)).toBeNull()
})
