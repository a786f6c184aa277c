import type { Readable } from 'node:stream'
import yazl from 'yazl'
import { W } from '@/core/language/server/book'
import type { FoundLine } from '@/core/views'
import type { Scope } from '../db/scope'
import { AppError } from '../errors'
import { selectEvents } from '../jobs/job-rows'
import { plain } from '../jobs/record-deeds'
import { exportRecord } from '../records/export-record'
import { readingsCsv } from '../records/readings-csv'

/**
 * Everything of the jobs that were found as one archive, made as it is sent: the record where it is signed, else its
 * log, its readings and its photographs. A job that cannot be sealed says why in its place.
 */
export function exportFound(db: Scope, lines: readonly FoundLine[]): Readable {
  const zip = new yazl.ZipFile()
  void (async () => {
    for (const line of lines) {
      if (line.former) continue
      const folder = `${line.at.slice(0, 10)} ${safe(line.car)} ${line.id.slice(0, 8)}`
      const put = (name: string, content: string | Buffer) =>
        zip.addBuffer(Buffer.from(content), `${folder}/${name}`, { mtime: new Date(line.at) })
      if (line.flags.includes('signed')) await sealed(db, line.id, put)
      else put('log.json', JSON.stringify(plain(await selectEvents(db, line.id)), null, 1))
      const { text, count } = await readingsCsv(db, line.id)
      if (count > 0) put('readings.csv', text)
      for (const [i, photo] of (await photosOf(db, line.id)).entries())
        put(`photograph-${i + 1}-${photo.kind}.jpg`, photo.image)
      await drained(zip)
    }
    zip.end()
  })().catch((error: Error) => (zip.outputStream as Readable).destroy(error))
  return zip.outputStream as Readable
}

async function sealed(db: Scope, id: string, put: (name: string, content: string) => void): Promise<void> {
  try {
    put('record.json', JSON.stringify(await exportRecord(db, id)))
  } catch (error) {
    if (!(error instanceof AppError)) throw error
    put('not-sealed.txt', error.message)
  }
}

/** A name as every system takes it for a folder. */
const safe = (name: string): string => name.replace(/[^\p{L}\p{N} ._-]+/gu, '_').slice(0, 60)

async function photosOf(db: Scope, jobId: string): Promise<{ kind: string; image: Buffer }[]> {
  const { rows } = await db.query<{ kind: string; image: Buffer }>(
    'select kind, image from photo where job_id = $1 and shop_id = $2 order by stored_at, id',
    [jobId, db.shopId],
  )
  return rows
}

/** Bytes that wait for whoever reads before another job is added. */
const MOST_WAITING = 8 * 1024 * 1024

/** Waits while what was made is not yet taken, so that a long archive never stands in memory whole. */
async function drained(zip: yazl.ZipFile): Promise<void> {
  const out = zip.outputStream as Readable
  while (!out.destroyed && out.readableLength > MOST_WAITING) await new Promise((done) => setTimeout(done, 20))
  if (out.destroyed) throw new Error(W.whoeverAskedForItWent)
}
