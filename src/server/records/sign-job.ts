import { jobTimeMs } from '@/core/procedure/clock'
import { foldJob } from '@/core/procedure/reduce'
import type { Account } from '../accounts/accounts'
import { requireRight } from '../accounts/roles'
import { database, transaction } from '../db/pool'
import { AppError } from '../errors'
import { type Appended, appendEvents } from '../jobs/append-events'
import { selectClock, selectEvents, selectJobForUpdate } from '../jobs/job-rows'
import { sha256 } from './chain'
import { readingsCsv } from './readings-csv'

/**
 * Signs a job: the digest of its readings joins the chain, and its instruments come off.
 * The job's row is locked throughout, so no reading can slip in behind the digest.
 * @param atMs - job time of the signature, ms; now when left out
 * @throws AppError `not-allowed` for trainees, `conflict` before the closing list is done, `already-signed`
 */
export async function signJob(user: Account, jobId: string, eventId: string, certificate: string, atMs?: number): Promise<Appended[]> {
  requireRight(user, 'sign-job')
  return transaction(database(), async (tx) => {
    const job = await selectJobForUpdate(tx, jobId)
    const events = job ? await selectEvents(tx, jobId) : []
    if (job && !events.some((e) => e.id === eventId)) {
      if (job.signedAt) throw new AppError('already-signed', 'This record is signed already.')
      if (foldJob(events).step !== 'leave') throw new AppError('conflict', 'Sign after the last step: this job is not there yet.')
    }
    const readings = await readingsCsv(tx, jobId)
    const happenedAt = new Date(Math.round(atMs ?? jobTimeMs(await selectClock(tx, jobId), Date.now()))).toISOString()
    const payload = { certificate, readingCount: readings.count, readingsSha256: sha256(readings.text) }
    const earlier = events.find((e) => e.id === eventId)
    const appended = await appendEvents(tx, user, jobId, [{ id: eventId, kind: 'signed', happenedAt, payload: earlier?.kind === 'signed' ? earlier.payload : payload }])
    await tx.query('update attachment set to_at = now() where job_id = $1 and to_at is null', [jobId])
    return appended
  })
}
