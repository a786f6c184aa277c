import { createHash, randomUUID } from 'node:crypto'
import sharp from 'sharp'
import { beforeEach, expect, test } from 'vitest'
import { LARGEST_PHOTO, MOST_PHOTOS } from '@/core/job/photos'
import { foldJob } from '@/core/job/reduce'
import { inTransaction } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { selectEvents } from '../jobs/job-rows'
import { exportRecord } from '../records/export-record'
import { signJob } from '../records/sign-job'
import { by, draft, type Fixture, freshShop, here, jobWithGauge } from '../tests/shop-fixture'
import { keepPhoto, PhotoSaid, selectPhoto } from './photos'

let shop: Fixture
let jobId: string
beforeEach(async () => {
  shop = await freshShop()
  jobId = await jobWithGauge(shop.technician)
})

const said = (of = 'label') => PhotoSaid.parse({ id: randomUUID(), of, caption: 'under the hood' })
/** A camera's picture with its place and device beside it. */
const camera = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#784' } })
    .withExif({ IFD0: { Make: 'Bench', Model: 'Eye 1' }, IFD3: { GPSLatitude: '51/1 30/1 0/1', GPSLatitudeRef: 'N' } })
    .jpeg()
    .toBuffer()
const keep = (photo: ReturnType<typeof said>, bytes: Buffer) => keepPhoto(by(shop.technician), jobId, photo, bytes)
const photosOf = async () => foldJob(await selectEvents(here(), jobId)).photos

test('a photograph is kept small, without place and device, and its digest stands in the trail and the record', async () => {
  const photo = said()
  const bytes = await camera(4000, 3000)
  expect((await sharp(bytes).metadata()).exif).toBeDefined()
  await keep(photo, bytes)
  const image = await selectPhoto(here(), jobId, photo.id)
  const { width, height, exif } = await sharp(image).metadata()
  expect([width, height, exif]).toEqual([1600, 1200, undefined])
  expect(image.length).toBeLessThan(LARGEST_PHOTO)
  const [kept] = await photosOf()
  expect(kept).toMatchObject({ of: 'label', caption: 'under the hood', by: 'tech' })
  expect(kept?.sha256).toBe(createHash('sha256').update(image).digest('hex'))
  // ended early it is signed as what it is, and the record vouches for the picture
  await inTransaction(here(), (tx) =>
    appendEvents(tx, shop.lead, jobId, [draft('closed', { as: 'given-up', why: 'no part to be had' })]),
  )
  await signJob(by(shop.lead), jobId, randomUUID(), 'T-1')
  expect(JSON.stringify(await exportRecord(here(), jobId))).toContain(kept?.sha256 ?? 'none')
})

test('sent twice it is kept once', async () => {
  const photo = said()
  const bytes = await camera(400, 300)
  await keep(photo, bytes)
  await keep(photo, bytes)
  expect(await photosOf()).toHaveLength(1)
})

test('what is no picture is refused, and nothing is kept', async () => {
  const whole = await camera(400, 300)
  for (const bytes of [Buffer.from('%PDF-1.7 not a picture'), Buffer.alloc(0), whole.subarray(0, 200)])
    await expect(keep(said(), bytes)).rejects.toMatchObject({ code: 'bad-input' })
  expect(await photosOf()).toEqual([])
  const { rows } = await here().query('select count(*)::int as n from photo')
  expect(rows).toEqual([{ n: 0 }])
})

test('a job has no more than thirty, and another shop sees none of them', async () => {
  const bytes = await camera(40, 30)
  const first = said()
  await keep(first, bytes)
  for (let i = 1; i < MOST_PHOTOS; i++) await keep(said('dial'), bytes)
  await expect(keep(said(), bytes)).rejects.toMatchObject({ code: 'conflict' })
  expect(await photosOf()).toHaveLength(MOST_PHOTOS)
  await expect(selectPhoto({ ...here(), shopId: here().shopId + 1 }, jobId, first.id)).rejects.toMatchObject({
    code: 'not-found',
  })
})
