import fc from 'fast-check'
import { expect, test } from 'vitest'
import { balancesOf, gaveOut, LedgerDraft, type LedgerEntry, totalsOf } from './ledger'

const entry = (kind: LedgerEntry['kind'], grams: number, equipmentId: string | null = 'c1'): LedgerEntry => ({
  id: `${kind}${grams}`,
  kind,
  happenedAt: '2026-03-01T10:00:00Z',
  by: 'Teo',
  refrigerant: 'R-134a',
  container: equipmentId ?? 'can-1, Shuttle 3',
  equipmentId,
  grams,
  jobId: null,
  car: null,
  why: '',
})

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

test('a balance is everything in less everything out, and a can used up in one charge has none', () => {
  const entries = [entry('bought', 5710), entry('charged', -500), entry('purged', -3), entry('corrected', 20), entry('charged', -340, null)]
  expect(balancesOf(entries)).toEqual([{ container: 'c1', equipmentId: 'c1', refrigerant: 'R-134a', grams: 5227 }])
  expect(totalsOf(entries)[0]?.sums).toEqual({ bought: 5710, charged: 840, purged: 3, recovered: 0, corrected: 20 })
})

test('a correction without a reason and a purchase of nothing are refused', () => {
  const draft = { id: '00000000-0000-4000-8000-000000000000', kind: 'corrected', refrigerant: 'R-134a', container: 'c', equipmentId: null, grams: -5, why: '' }
  expect(LedgerDraft.safeParse(draft).error?.issues[0]).toMatchObject({ path: ['why'] })
  expect(LedgerDraft.safeParse({ ...draft, why: 'weighed again' }).success).toBe(true)
  expect(LedgerDraft.safeParse({ ...draft, kind: 'bought', why: '' }).error?.issues[0]).toMatchObject({ path: ['grams'] })
})
