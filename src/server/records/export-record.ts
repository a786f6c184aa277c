import { foldJob } from '@/core/job/reduce'
import { W } from '@/core/language/server/records'
import { brokenLink, type RecordFile, signedText } from '@/core/record/record'
import { sha256 } from '@/node/record-crypto'
import type { Scope } from '../db/scope'
import { AppError, notFound } from '../errors'
import { selectEvents, selectJob } from '../jobs/job-rows'
import { shopOf } from '../shop/shop'
import { asHashed } from './as-hashed'
import { signText } from './chain'

/**
 * The record file of a signed job, sealed with the shop's key over its whole chain, later corrections included.
 * @throws AppError `conflict` when the job is not signed, or its stored chain no longer holds: then nothing is sealed
 */
export async function exportRecord(db: Scope, jobId: string): Promise<RecordFile> {
  const job = await selectJob(db, jobId)
  if (!job) throw notFound(W.thisJob)
  const stored = await selectEvents(db, jobId)
  const { opened, signed } = foldJob(stored)
  if (!signed) throw new AppError('conflict', W.theRecordIsSealedWhen)
  const events = await asHashed(db, jobId, stored)
  const broken = brokenLink({ events, event_count: job.eventCount, head: job.head }, sha256)
  if (broken) throw new AppError('conflict', W.thisJobsLogDoesNot(broken.place, broken.reason))
  const shop = await shopOf(db)
  const record = {
    format: 'yperos-record' as const,
    version: 1 as const,
    job: {
      id: job.id,
      place: shop.name,
      car: opened.car.name,
      model: opened.car.model,
      refrigerant: opened.label.refrigerant,
    },
    events,
    event_count: events.length,
    head: job.head,
    readings: { count: signed.readingCount, sha256: signed.readingsSha256 },
    signed: { by: signed.by, certificate: signed.certificate, at: signed.at },
  }
  return {
    ...record,
    signature: {
      algorithm: 'Ed25519',
      public_key: shop.publicKey,
      value: signText(signedText(record), shop.signingKey),
    },
  }
}
