import { createHash } from 'node:crypto'
import sharp from 'sharp'
import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { Instant } from '@/core/entry/instant'
import { text } from '@/core/entry/text'
import { LARGEST_PHOTO, MOST_PHOTOS, PHOTO_OF, PHOTO_SIDE_PX } from '@/core/job/photos'
import { W } from '@/core/language/server/photos'
import type { UserScope } from '../accounts/user-scope'
import { inTransaction, type Scope } from '../db/scope'
import { AppError, notFound } from '../errors'
import { type Appended, appendEvents } from '../jobs/append-events'
import { jobNow } from '../jobs/job-now'
import { selectJobForUpdate } from '../jobs/job-rows'

/** What is said of a photograph beside its bytes. */
export const PhotoSaid = z.strictObject({
  id: Id,
  of: z.enum(PHOTO_OF).default('other'),
  caption: text(200, 0).default(''),
  /** job time it was taken at, where it waited without a line */
  at: Instant.optional(),
})
type PhotoSaid = z.infer<typeof PhotoSaid>

/** Pixels taken at most: a picture that unpacks to more is none of a phone's. */
const MOST_PIXELS = 60_000_000
const QUALITIES = [82, 70, 55, 40]

type Picture = { image: Buffer; width: number; height: number }

/**
 * The picture alone, upright and no larger than it is kept at: place, device and everything else a camera writes beside
 * it are left behind.
 * @throws AppError `bad-input` when the bytes are no picture
 */
export async function pictureOf(bytes: Buffer): Promise<Picture> {
  try {
    for (const quality of QUALITIES) {
      const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
        .rotate()
        .resize({ width: PHOTO_SIDE_PX, height: PHOTO_SIDE_PX, fit: 'inside', withoutEnlargement: true })
        .flatten({ background: '#fff' })
        .jpeg({ quality })
        .toBuffer({ resolveWithObject: true })
      if (data.length <= LARGEST_PHOTO) return { image: data, width: info.width, height: info.height }
    }
  } catch (cause) {
    throw new AppError('bad-input', W.thisIsNoPhotographThat, [{ path: 'body', reason: W.noPicture }], cause)
  }
  throw new AppError('too-large', W.thisPhotographIsLargerThan)
}

/**
 * Keeps a photograph of a job and says so in its trail, with its digest, so that the record vouches for the picture.
 * @throws AppError `not-found`, `bad-input`, `too-large`, `already-signed`; `conflict` when there are 30 already
 */
export async function keepPhoto(db: UserScope, jobId: string, said: PhotoSaid, bytes: Buffer): Promise<Appended[]> {
  const { image, width, height } = await pictureOf(bytes)
  const sha256 = createHash('sha256').update(image).digest('hex')
  return inTransaction(db, async (tx) => {
    if (!(await selectJobForUpdate(tx, jobId))) throw notFound(W.thisJob)
    const { rows } = await tx.query<{ count: number; mine: boolean }>(
      'select count(*)::int as count, bool_or(id = $3) as mine from photo where shop_id = $1 and job_id = $2',
      [tx.shopId, jobId, said.id],
    )
    const before = rows[0] ?? { count: 0, mine: false }
    if (before.mine) return []
    if (before.count >= MOST_PHOTOS) throw new AppError('conflict', W.thisJobHasPhotographsAlready(MOST_PHOTOS))
    await tx.query(
      'insert into photo (id, shop_id, job_id, kind, width, height, image) values ($1, $2, $3, $4, $5, $6, $7)',
      [said.id, tx.shopId, jobId, said.of, width, height, image],
    )
    const nowMs = (await jobNow(tx, jobId))?.ms ?? Date.now()
    // a device's clock may lead: nothing was taken ahead of now
    const happenedAt = new Date(Math.round(Math.min(nowMs, Date.parse(said.at ?? '') || nowMs))).toISOString()
    const payload = { photo: said.id, of: said.of, caption: said.caption, sha256 }
    return appendEvents(tx, db.user, jobId, [{ id: said.id, kind: 'pictured', happenedAt, payload }])
  })
}

/** The picture of a photograph. @throws AppError `not-found` */
export async function selectPhoto({ shopId, query }: Scope, jobId: string, photoId: string): Promise<Buffer> {
  const { rows } = await query<{ image: Buffer }>(
    'select image from photo where shop_id = $1 and job_id = $2 and id = $3',
    [shopId, jobId, photoId],
  )
  if (!rows[0]) throw notFound(W.thisPhotograph)
  return rows[0].image
}
