import { expect, test } from 'vitest'
import { bandAfter, leftBand } from './band'

/** A hold that rises 0.01 Pa/s from 60 Pa, read each second with a little noise. */
const rising = Array.from({ length: 200 }, (_, i) => ({ at: i * 1000, value: 60 + 0.01 * i + 0.05 * Math.sin(i * 7) }))

test('what goes on as before stays in the band, for as long as a look takes', () => {
  const band = bandAfter(rising)
  if (!band) throw new Error('no band')
  expect(leftBand(band, { at: 210_000, value: 62.1 })).toBe(false)
  expect(leftBand(band, { at: 229_000, value: 62.3 })).toBe(false)
})

test('a step, a fall and a run-away leave it', () => {
  const band = bandAfter(rising)
  if (!band) throw new Error('no band')
  for (const value of [66, 58, 200]) expect(leftBand(band, { at: 201_000, value })).toBe(true)
})

test('a few readings expect nothing', () => {
  expect(bandAfter(rising.slice(0, 4))).toBeNull()
})

test('a steep rise is expected to go on, and one that stops is not', () => {
  const steep = Array.from({ length: 60 }, (_, i) => ({ at: i * 1000, value: 60 + 0.5 * i + 0.05 * Math.sin(i * 7) }))
  const band = bandAfter(steep)
  if (!band) throw new Error('no band')
  expect(leftBand(band, { at: 79_000, value: 99.5 })).toBe(false)
  expect(leftBand(band, { at: 79_000, value: 89.5 })).toBe(true)
})
