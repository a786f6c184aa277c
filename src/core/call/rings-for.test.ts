import { expect, test } from 'vitest'
import { inOrder, ringsFor } from './rings-for'

const ring = { sinceMs: 1_000_000, whose: { id: 'teo', name: 'Teo' } }
const after = (minutes: number) => 1_000_000 + minutes * 60_000

test('an alarm rings at whoever has the car, and at the lead once nobody answered for so long', () => {
  expect(ringsFor(ring, { id: 'teo', role: 'technician' }, 5, after(0))).toBe(true)
  expect(ringsFor(ring, { id: 'ida', role: 'technician' }, 5, after(60))).toBe(false)
  expect(ringsFor(ring, { id: 'maira', role: 'lead' }, 5, after(4))).toBe(false)
  expect(ringsFor(ring, { id: 'maira', role: 'lead' }, 5, after(5))).toBe(true)
})

test('a car nobody has rings at everybody', () => {
  expect(ringsFor({ ...ring, whose: { id: null, name: '' } }, { id: 'ida', role: 'trainee' }, 5, after(0))).toBe(true)
})

test('what hurries is heard first, then the car one stands at, then what rang last', () => {
  const ringing = [
    { id: 'verdict:1:wet', sinceMs: 5, jobId: 'here' },
    { id: 'past:A', sinceMs: 1, jobId: 'there' },
    { id: 'target:1', sinceMs: 9, jobId: 'there' },
  ]
  expect(inOrder(ringing).map((r) => r.id)).toEqual(['past:A', 'target:1', 'verdict:1:wet'])
  expect(inOrder(ringing, 'here').map((r) => r.id)).toEqual(['past:A', 'verdict:1:wet', 'target:1'])
})
