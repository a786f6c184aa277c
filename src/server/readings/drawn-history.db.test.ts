import { beforeEach, expect, test } from 'vitest'
import { PA_PER_MICRON } from '@/core/units/constants'
import type { Point } from '@/core/views'
import { selectPulse } from '../jobs/job-rows'
import { type Fixture, freshShop, gaugeLine, here, jobWithGauge, readingsOf } from '../tests/shop-fixture'
import { DrawnHistories } from './drawn-history'
import { ingest } from './ingest'

const MOST = 100
const START = new Date(Date.now() - 3000_000)
const at = (s: number) => new Date(START.getTime() + s * 1000)

let shop: Fixture
let jobId: string
let histories: DrawnHistories
beforeEach(async () => {
  shop = await freshShop()
  jobId = await jobWithGauge(shop.technician, START)
  histories = new DrawnHistories()
})

/** One reading a second of a restless gauge, from and to in s after the start. */
const send = async (from: number, to: number, micron = (s: number) => 500 + ((s * 37) % 100)) => {
  for (let s = from; s < to; s += 500) {
    const lines = Array.from({ length: Math.min(500, to - s) }, (_, i) => gaugeLine(s + i, at(s + i), micron(s + i)))
    await ingest(shop.box, lines.join('\n'))
  }
}

const view = async (of = histories) => {
  const pulse = await selectPulse(here(), jobId)
  if (!pulse) throw new Error('no such job')
  return (await of.upTo(here(), pulse, new Map([['vacuum', MOST]])))('vacuum')
}

/** Readings the points stand for: both of a slice say how many it has. */
const countOf = (points: readonly Point[]) => points.reduce((sum, p) => sum + (p.count > 1 ? p.count / 2 : 1), 0)

/** No stored reading sticks out of what is drawn around its time, every point is a stored reading, in order. */
async function expectDrawn(points: readonly Point[]) {
  const stored = await readingsOf(jobId)
  expect(countOf(points)).toBe(stored.length)
  const known = new Set(stored.map((r) => `${Math.round(r.at)} ${r.value}`))
  expect(points.filter((p) => !known.has(`${Math.round(p.at)} ${p.value}`))).toEqual([])
  expect(points.map((p) => p.at)).toEqual(points.map((p) => p.at).sort((a, b) => a - b))
  const each = ((points.at(-1)?.at ?? 0) - (points[0]?.at ?? 0)) / (MOST / 2)
  const out = stored.filter(({ at: when, value }) => {
    const around = points.filter((p) => Math.abs(p.at - when) <= each).map((p) => p.value)
    return value < Math.min(...around) || value > Math.max(...around)
  })
  expect(out).toEqual([])
}

test('what is kept of a history grows with its readings, and nothing sticks out of it', async () => {
  await send(0, 1000)
  await expectDrawn(await view())
  await send(1000, 1100, (s) => (s === 1042 ? 9000 : 510))
  const grown = await view()
  await expectDrawn(grown)
  expect(grown.map((p) => Math.round(p.value / PA_PER_MICRON))).toContain(9000)
  expect(grown.at(-1)?.at).toBeCloseTo(at(1099).getTime(), 0)
  // far beyond what it was cut for: cut anew, and no longer than was asked for
  await send(1100, 2400)
  const long = await view()
  await expectDrawn(long)
  expect(long.length).toBeLessThanOrEqual(MOST + 2)
})

test('readings of long ago that come late stand at their time, also before the first', async () => {
  await send(200, 1200)
  await view()
  await send(0, 3, () => 8000)
  await expectDrawn(await view())
  await send(2900, 2901, () => 30)
  await ingest(shop.box, gaugeLine(9000, at(600.4), 7000))
  const points = await view()
  await expectDrawn(points)
  const read = (micron: number) => points.find((p) => Math.round(p.value / PA_PER_MICRON) === micron)?.at
  expect(read(8000)).toBeCloseTo(at(0).getTime(), -4)
  expect(read(7000)).toBeCloseTo(at(600.4).getTime(), 0)
})

test('few readings are drawn each, and views at one time count nothing twice', async () => {
  await send(0, 60)
  expect(await view()).toHaveLength(60)
  await send(60, 90)
  expect(await view()).toHaveLength(90)
  await send(90, 800)
  await Promise.all([view(), view(), view()])
  await send(800, 830)
  for (const points of await Promise.all([view(), view(), view()])) await expectDrawn(points)
  expect((await view()).length).toBeLessThanOrEqual(MOST * 1.25)
})

test('a history under the name of another database is not taken for this one', async () => {
  await send(0, 1000)
  const pulse = await selectPulse(here(), jobId)
  if (!pulse) throw new Error('no such job')
  await view()
  // what a restored backup says: fewer readings than are kept here
  const less = { ...pulse, readingSeq: 400 }
  expect(countOf((await histories.upTo(here(), less, new Map([['vacuum', MOST]])))('vacuum'))).toBe(400)
  expect(countOf(await view())).toBe(1000)
})

test('what could not be read is read at the next view', async () => {
  await send(0, 1000)
  const pulse = await selectPulse(here(), jobId)
  if (!pulse) throw new Error('no such job')
  const away = { ...here(), query: () => Promise.reject(new Error('away')) } as unknown as ReturnType<typeof here>
  await expect(histories.upTo(away, pulse, new Map([['vacuum', MOST]]))).rejects.toThrow('away')
  await expectDrawn(await view())
  await send(1000, 1020)
  const later = await selectPulse(here(), jobId)
  await expect(histories.upTo(away, later ?? pulse, new Map([['vacuum', MOST]]))).rejects.toThrow('away')
  await expectDrawn(await view())
})
