import { expect, test } from 'vitest'
import { toggled, understood } from './find'

const TODAY = '2026-11-27'
const of = (typed: string) => {
  const { pieces, ...find } = understood(typed, TODAY)
  return find
}

test('words, filters by their words and days are told apart in what is typed', () => {
  expect(of('Müller CL-482 skipped hold since 2026-03')).toEqual({
    tokens: ['muller', 'cl', '482'],
    flags: ['skipped'],
    from: '2026-03-01',
    to: null,
  })
  expect(of('unsigned leak')).toMatchObject({ tokens: [], flags: ['unsigned', 'leak'] })
  expect(of('found leaking')).toMatchObject({ tokens: [], flags: ['leak'] })
  // words between others are looked for in quotes alone
  expect(of('drier by Teo')).toMatchObject({ tokens: ['drier', 'teo'] })
  expect(of('"by the door"')).toMatchObject({ tokens: ['by', 'the', 'door'] })
})

test('what stands in quotes is words, whatever it says', () => {
  expect(of('"leak" "skipped hold" 12')).toMatchObject({ tokens: ['12', 'leak', 'skipped', 'hold'], flags: [] })
})

test('a month ends on its last day, and a day that cannot be is only a word', () => {
  expect(of('2028-02')).toMatchObject({ from: '2028-02-01', to: '2028-02-29' })
  expect(of('last year')).toMatchObject({ from: '2025-01-01', to: '2025-12-31' })
  expect(of('since 2025-06 until 2025-08')).toMatchObject({ from: '2025-06-01', to: '2025-08-31' })
  expect(of('14.3.2026')).toMatchObject({ from: '2026-03-14', to: '2026-03-14', tokens: [] })
  expect(of('2026-13')).toMatchObject({ from: null, tokens: ['2026', '13'] })
  expect(of('2026-02-31')).toMatchObject({ from: null, to: null, tokens: ['2026', '02', '31'] })
})

test('a filter that is tapped is put into what was typed, and out again', () => {
  const on = toggled('ambulance', 'caution', TODAY)
  expect(on).toBe('ambulance caution passed')
  expect(toggled(on, 'caution', TODAY)).toBe('ambulance')
  expect(toggled('leak ambulance', 'leak', TODAY)).toBe('ambulance')
})
