import fc from 'fast-check'
import { expect, test } from 'vitest'
import { gaveOut, heelLeftG, LedgerDraft } from './ledger'

test('what left a container is what went into the car and what was purged, whatever the weights', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 20_000, noNaN: true }),
      fc.double({ min: 1, max: 20_000, noNaN: true }),
      fc.double({ min: 0, max: 50, noNaN: true }),
      (start, end, purge) => {
        const { chargedG, purgedG } = gaveOut(start, end, purge)
        expect(chargedG).toBeGreaterThanOrEqual(0)
        expect(purgedG).toBeGreaterThanOrEqual(0)
        expect(chargedG + purgedG).toBeCloseTo(Math.max(0, start - end), 6)
      },
    ),
  )
})

test('what goes away with an empty can is its heel; a can that is put back and a cylinder keep theirs', () => {
  const can = { kind: 'can' as const, tareG: 132 }
  expect(heelLeftG(can, 140, 8)).toBe(8)
  expect(heelLeftG(can, 147, 8)).toBe(15)
  expect(heelLeftG(can, 200, 8)).toBe(0)
  expect(heelLeftG(can, 131, 8)).toBe(0)
  expect(heelLeftG({ kind: 'cylinder', tareG: 3410 }, 3420, 12)).toBe(0)
})

test('a correction without a reason and a purchase of nothing are refused', () => {
  const draft = {
    id: '00000000-0000-4000-8000-000000000000',
    kind: 'corrected',
    refrigerant: 'R-134a',
    container: 'c',
    equipmentId: null,
    grams: -5,
    why: '',
  }
  expect(LedgerDraft.safeParse(draft).error?.issues[0]).toMatchObject({ path: ['why'] })
  expect(LedgerDraft.safeParse({ ...draft, why: 'weighed again' }).success).toBe(true)
  expect(LedgerDraft.safeParse({ ...draft, kind: 'bought', why: '' }).error?.issues[0]).toMatchObject({
    path: ['grams'],
  })
})
