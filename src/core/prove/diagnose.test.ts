import { expect, test } from 'vitest'
import { typicalBands } from './bands'
import { diagnose, type ProofHistory } from './diagnose'

const BANDS = typicalBands('R-134a', 30, 101_325)
const FULL: ProofHistory = { chargedG: 540, targetG: 540, toleranceG: 15, holdProved: true }
const first = (low: number, high: number, ventC: number, history = FULL) =>
  diagnose([{ reading: { lowPaG: low * 1000, highPaG: high * 1000, ventC }, bands: BANDS }], history)[0]

test('readings within their bands are as they should be', () => {
  expect(first(230, 1250, 9)?.kind).toBe('as-it-should-be')
})

test('the pairs point where practice says, and the weight in speaks against short', () => {
  // low side in vacuum with the full weight in: a restriction, not a shortage
  expect(first(-20, 900, 18)?.kind).toBe('restriction')
  expect(first(110, 700, 16, { ...FULL, chargedG: 380 })?.kind).toBe('short')
  expect(first(110, 700, 16)?.kind).not.toBe('short')
  expect(first(420, 800, 20)?.kind).toBe('compressor')
  expect(['condenser', 'air', 'too-much']).toContain(first(420, 2300, 16)?.kind)
  expect(first(400, 2200, 14, { ...FULL, chargedG: 640 })?.kind).toBe('too-much')
  expect(first(230, 1250, 27)?.kind).toBe('elsewhere')
})

test('two needles are never a certainty, and the reason names what was read', () => {
  for (const [low, high, vent] of [
    [230, 1250, 9],
    [-40, 700, 20],
    [500, 2500, 20],
  ] as const) {
    const causes = diagnose(
      [{ reading: { lowPaG: low * 1000, highPaG: high * 1000, ventC: vent }, bands: BANDS }],
      FULL,
    )
    expect(causes[0]?.chance).toBeLessThan(0.995)
    expect(causes.length).toBeLessThanOrEqual(6)
    expect(causes[0]?.reason).toMatch(/Low side .* high side .* vent .* weight/s)
  }
})

test('rest pressure above saturation lifts air, one that is right rules it out, one below lifts a shortage', () => {
  const chance = (kind: string, rest?: ProofHistory['rest']) =>
    diagnose([{ reading: { lowPaG: 330_000, highPaG: 1_750_000, ventC: 13 }, bands: BANDS }], {
      ...FULL,
      holdProved: false,
      ...(rest && { rest }),
    }).find((c) => c.kind === kind)?.chance ?? 0
  expect(chance('air', 'air')).toBeGreaterThan(2 * chance('air'))
  expect(chance('air', 'right')).toBeLessThan(0.5 * chance('air'))
  const short = (rest?: ProofHistory['rest']) =>
    diagnose([{ reading: { lowPaG: 130_000, highPaG: 800_000, ventC: 14 }, bands: BANDS }], {
      ...FULL,
      ...(rest && { rest }),
    }).find((c) => c.kind === 'short')?.chance ?? 0
  expect(short('no-liquid')).toBeGreaterThan(1.5 * short())
})

test('the same reading twice makes it surer, and a hundred times no surer than half as much again', () => {
  const one = { reading: { lowPaG: 420_000, highPaG: 850_000, ventC: 20 }, bands: BANDS }
  const sure = (n: number) => diagnose(Array(n).fill(one), FULL)[0]?.chance ?? 0
  expect(sure(2)).toBeGreaterThan(sure(1))
  expect(sure(100)).toBeCloseTo(sure(2), 9)
  expect(sure(100)).toBeLessThan(0.93)
})

test('a compressor that cycles speaks for a shortage and against all being well', () => {
  const chance = (kind: string, cycling: boolean) =>
    diagnose([{ reading: { lowPaG: 165_000, highPaG: 950_000, ventC: 12 }, bands: BANDS }], {
      ...FULL,
      chargedG: 500,
      cycling,
    }).find((c) => c.kind === kind)?.chance ?? 0
  expect(chance('short', true)).toBeGreaterThan(1.3 * chance('short', false))
  expect(chance('as-it-should-be', true)).toBeLessThan(chance('as-it-should-be', false))
})

test('without a reading nothing is said', () => {
  expect(diagnose([], FULL)).toEqual([])
})
