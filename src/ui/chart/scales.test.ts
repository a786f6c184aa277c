import fc from 'fast-check'
import { expect, test } from 'vitest'
import { dayIn } from '../format'
import { thin } from '../hooks/use-job-live'
import { linear, niceTicks, spread, timeTicks } from './scales'

test('labels moved apart keep their order, their distance and their field', () => {
  const labels = fc.array(fc.double({ min: 0, max: 300, noNaN: true }), { minLength: 1, maxLength: 10 })
  fc.assert(
    fc.property(labels, (ys) => {
      const placed = spread(
        ys.map((y) => ({ y })),
        20,
        0,
        300,
      )
      for (let i = 1; i < placed.length; i++)
        expect((placed[i]?.y ?? 0) - (placed[i - 1]?.y ?? 0)).toBeGreaterThanOrEqual(19.999)
      expect(placed[placed.length - 1]?.y).toBeLessThanOrEqual(300)
    }),
  )
})

test('ticks are round and within', () => {
  expect(niceTicks(103, 520, 4)).toEqual([200, 300, 400, 500])
  // in steps that are no binary fractions too: 0.3, not 0.30000000000000004
  expect(niceTicks(0, 1, 10)).toEqual([0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1])
})

test('times on the axis are whole and few', () => {
  const from = Date.parse('2026-03-02T10:07:00Z')
  const ticks = timeTicks(from, from + 90 * 60_000, 6, 'UTC')
  expect(ticks.length).toBeLessThanOrEqual(7)
  expect(ticks.every((t) => t % (15 * 60_000) === 0)).toBe(true)
})

/** What a clock on the wall there shows at a tick. */
const wall = (timeZone: string) => (t: number) =>
  new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone }).format(t)

test.each(['Asia/Kolkata', 'Asia/Kathmandu', 'America/Santiago', 'Europe/Berlin', 'Australia/Lord_Howe'])(
  'in %s they stand on the hours of its own clock',
  (zone) => {
    const from = Date.parse('2026-03-02T04:20:00Z')
    const hours = timeTicks(from, from + 6 * 3600_000, 6, zone).map(wall(zone))
    expect(hours.length).toBeGreaterThanOrEqual(5)
    expect(hours.every((h) => h.endsWith(':00'))).toBe(true)
    const eights = timeTicks(from, from + 24 * 3600_000, 3, zone).map(wall(zone))
    expect(eights.every((h) => ['00:00', '08:00', '16:00'].includes(h))).toBe(true)
  },
)

test('on the day clocks are set they stand on whole hours before and after', () => {
  const from = Date.parse('2026-03-28T22:00:00Z')
  const ticks = timeTicks(from, from + 12 * 3600_000, 6, 'Europe/Berlin').map(wall('Europe/Berlin'))
  expect(ticks).toEqual(['00:00', '04:00', '06:00', '08:00', '10:00', '12:00'])
})

test('today is the shop’s day, in the evening too', () => {
  expect(dayIn('America/Santiago')(Date.parse('2026-11-25T01:30:00Z'))).toBe('2026-11-24')
  expect(dayIn('Pacific/Auckland')(Date.parse('2026-11-25T12:30:00Z'))).toBe('2026-11-26')
})

test('a scale maps its ends to its ends', () => {
  const x = linear(10, 20, 100, 300)
  expect([x(10), x(15), x(20)]).toEqual([100, 200, 300])
})

test('a thinned curve keeps its deepest and its highest point', () => {
  const points = Array.from({ length: 1000 }, (_, i) => ({ at: i, value: i === 501 ? -5 : i === 502 ? 99 : 10 }))
  const kept = thin(points)
  expect(kept.length).toBeLessThanOrEqual(500)
  expect(kept.map((p) => p.value)).toEqual(expect.arrayContaining([-5, 99]))
  expect(kept.every((p, i) => i === 0 || p.at > (kept[i - 1]?.at ?? 0))).toBe(true)
})
