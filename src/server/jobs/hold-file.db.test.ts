import { beforeEach, expect, test } from 'vitest'
import { inTransaction } from '../db/scope'
import { selectAverages } from '../readings/history'
import { selectSpan } from '../readings/span'
import { by, draft, type Fixture, freshShop, here, jobWithGauge } from '../tests/shop-fixture'
import { appendEvents } from './append-events'
import { selectLead } from './closing-lead'
import { storeHoldFile } from './hold-file'

let shop: Fixture
beforeEach(async () => {
  shop = await freshShop()
})
const add = (jobId: string, ...drafts: ReturnType<typeof draft>[]) =>
  inTransaction(here(), (tx) => appendEvents(tx, shop.lead, jobId, drafts))
const done = (step: string, at: Date) => draft('step-finished', { step }, at)

/** A car that was isolated half an hour ago and holds. */
async function holding(): Promise<{ jobId: string; isolated: Date }> {
  const jobId = await jobWithGauge(shop.lead)
  const isolated = new Date(Date.now() - 1800_000)
  await add(
    jobId,
    ...['zero', 'fix', 'rig', 'pull'].map((s) => done(s, isolated)),
    draft('isolated', {}, isolated),
    done('isolate', isolated),
  )
  return { jobId, isolated }
}

test('a file goes into the running hold at its own times, once however often it is sent', async () => {
  const { jobId, isolated } = await holding()
  const file = {
    seq: 1_000_000,
    readings: [0, 300, 600, 900].map((elapsedS) => ({ elapsedS, pressurePa: 40 + elapsedS / 100 })),
  }
  expect(await storeHoldFile(by(shop.lead), jobId, file)).toBe(4)
  expect(await storeHoldFile(by(shop.lead), jobId, file)).toBe(0)
  const points = await selectAverages(here(), await selectSpan(here(), jobId), 'vacuum', 100)
  expect(points.map((p) => [Math.round((p.at - isolated.getTime()) / 1000), p.value])).toEqual([
    [0, 40],
    [300, 43],
    [600, 46],
    [900, 49],
  ])
})

test('a file that runs ahead of the hold, or meets no hold, is refused whole', async () => {
  const { jobId } = await holding()
  const ahead = {
    seq: 5,
    readings: [
      { elapsedS: 10, pressurePa: 40 },
      { elapsedS: 9000, pressurePa: 41 },
    ],
  }
  await expect(storeHoldFile(by(shop.lead), jobId, ahead)).rejects.toMatchObject({ code: 'bad-input' })
  expect(await selectAverages(here(), await selectSpan(here(), jobId), 'vacuum', 100)).toEqual([])
  const other = await jobWithGauge(shop.lead)
  await expect(
    storeHoldFile(by(shop.lead), other, { seq: 9, readings: [{ elapsedS: 0, pressurePa: 40 }] }),
  ).rejects.toMatchObject({ code: 'conflict' })
})

test('a hand is learned from its own closings on that rig, and from nobody else’s', async () => {
  const jobId = await jobWithGauge(shop.lead)
  const containers = ['can-1', 'can-2', 'can-3'].map((id) => ({ id, kind: 'can', grossG: 474, netG: 340 }))
  await add(jobId, draft('charge-planned', { targetG: 900, purgeEachG: 3, containers, stops: [], bandG: [890, 910] }))
  // two grams a second, four seconds from the word to the last gram
  for (const id of ['can-1', 'can-2', 'can-3']) {
    await add(
      jobId,
      draft('container-started', { id, grossG: 474 }),
      draft('container-ended', { id, grossG: 192, closing: { saidG: 200, gramsPerS: 2, stepG: 1 } }),
    )
  }
  const lead = await selectLead(here(), shop.lead.id, 'Cart')
  expect(Math.abs(lead.meanS - 4)).toBeLessThan(0.3)
  expect(lead.seen).toBe(3)
  expect((await selectLead(here(), shop.technician.id, 'Cart')).seen).toBe(0)
  expect((await selectLead(here(), shop.lead.id, 'another cart')).seen).toBe(0)
})
