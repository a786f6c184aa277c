import fc from 'fast-check'
import { expect, test } from 'vitest'
import { Id } from './id'
import { Day, Instant } from './instant'
import { isSound, text, verbatim } from './text'

test.each([
  ['2026-11-25T14:03:00Z', '2026-11-25T14:03:00.000Z'],
  ['2026-11-25T14:03:00.5+02:00', '2026-11-25T12:03:00.500Z'],
  ['2026-11-25T14:03:00.123456-05:45', '2026-11-25T19:48:00.123Z'],
])('%s is brought to the one form', (sent, form) => {
  expect(Instant.parse(sent)).toBe(form)
})

test.each([
  '0000-01-01T00:00:00Z',
  '1969-12-31T23:59:59Z',
  '3000-01-01T00:00:00Z',
  '2999-12-31T23:59:59-01:00',
  '2026-02-30T00:00:00Z',
  '2026-11-25T14:03:00',
  '2026-99-99T00:00:00Z',
  'noon',
])('%s is no time an instrument measured at', (sent) => {
  expect(Instant.safeParse(sent).success).toBe(false)
})

test('a day lies in the same years', () => {
  expect(Day.parse('2026-11-25')).toBe('2026-11-25')
  for (const day of ['0000-01-01', '2026-13-01', '25.11.2026']) expect(Day.safeParse(day).success).toBe(false)
})

test('an id in capitals is the same id', () => {
  expect(Id.parse('3F2504E0-4F89-41D3-9A0C-0305E82C3301')).toBe('3f2504e0-4f89-41d3-9a0c-0305e82c3301')
})

test.each(['\0', 'a\0b', '\ud800', 'x\udc00', '\ud83d', '\udca9\ud83d'])('%j is refused as text', (sent) => {
  expect(isSound(sent)).toBe(false)
  expect(text(80).safeParse(`${sent}x`).success || text(80).safeParse(sent).success).toBe(false)
  expect(verbatim(80).safeParse(sent).success).toBe(false)
})

test('what is sound goes through UTF-8 and back unchanged, and nothing else is', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), (s) => {
      const back = new TextDecoder().decode(new TextEncoder().encode(s))
      expect(isSound(s)).toBe(back === s && !s.includes('\0'))
    }),
    { numRuns: 2000 },
  )
})

test('text is trimmed before its length counts', () => {
  expect(text(3).parse('  abc ')).toBe('abc')
  expect(text(3).safeParse('   ').success).toBe(false)
  expect(text(3, 0).parse('   ')).toBe('')
})
