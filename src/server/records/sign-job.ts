import { randomUUID } from 'node:crypto'
import { foldJob } from '@/core/job/reduce'
import { leaveItemsOf } from '@/core/job/sides'
import { W } from '@/core/language/server/records'
import { sha256 } from '@/node/record-crypto'
import type { Account } from '../accounts/accounts'
import { requireRight } from '../accounts/roles'
import type { UserScope } from '../accounts/user-scope'
import { rememberCharge } from '../cars/cars'
import { inTransaction } from '../db/scope'
import { AppError } from '../errors'
import { type Appended, appendEvents } from '../jobs/append-events'
import { jobNow } from '../jobs/job-now'
import { selectEvents, selectJobForUpdate } from '../jobs/job-rows'
import { shopOf } from '../shop/shop'
import { readingsCsv } from './readings-csv'

/**
 * Signs a job: the digest of its readings joins the chain, and its instruments come off.
 * The job's row is locked throughout, so no reading can slip in behind the digest.
 * @param atMs - job time of the signature, ms; now when left out
 * @throws AppError `not-allowed` for trainees and for a certificate that is not the signer's own, `conflict` before the
 *   closing list is done, `already-signed`
 */
export async function signJob(
  db: UserScope,
  jobId: string,
  eventId: string,
  certificate: string,
  atMs?: number,
): Promise<Appended[]> {
  const { user } = db
  requireRight(user, 'sign-job')
  refuseOthersCertificate(user, certificate, (await shopOf(db)).certificateAsked)
  return inTransaction(db, async (tx) => {
    const job = await selectJobForUpdate(tx, jobId)
    const events = job ? await selectEvents(tx, jobId) : []
    if (job && !events.some((e) => e.id === eventId)) {
      if (job.signedAt) throw new AppError('already-signed', W.thisRecordIsSignedAlready)
      const state = foldJob(events)
      if (state.step !== 'leave' && !state.closed) throw new AppError('conflict', W.signAfterTheLastStep)
    }
    const readings = await readingsCsv(tx, jobId)
    const happenedAt = new Date(Math.round(atMs ?? (await jobNow(tx, jobId))?.ms ?? Date.now())).toISOString()
    const payload = { certificate, readingCount: readings.count, readingsSha256: sha256(readings.text) }
    const earlier = events.find((e) => e.id === eventId)
    const state = job && !earlier ? foldJob(events) : null
    // a job that ended early is signed as what it is: its list was never begun
    const open = state && !state.closed && state.left.length < leaveItemsOf(state).length
    const undone = open
      ? [{ id: randomUUID(), kind: 'caution-passed' as const, happenedAt, payload: { code: 'closing-list-open' } }]
      : []
    const appended = await appendEvents(tx, user, jobId, [
      ...undone,
      { id: eventId, kind: 'signed', happenedAt, payload: earlier?.kind === 'signed' ? earlier.payload : payload },
    ])
    if (!earlier) await rememberCharge(tx, jobId, foldJob(events), new Date(happenedAt))
    await tx.query('update attachment set to_at = now() where job_id = $1 and to_at is null', [jobId])
    return appended.filter((a) => a.id === eventId)
  })
}

function refuseOthersCertificate(user: Account, certificate: string, asked: boolean): void {
  if (user.certificate === '' && asked) throw new AppError('not-allowed', W.yourAccountHasNoCertificate)
  if (certificate === user.certificate) return
  const reason = W.isNotYoursWhichIs(user.certificate || W.notWrittenDown)
  throw new AppError('not-allowed', W.theCertificateNumberWhoeverSigns(reason), [{ path: 'certificate', reason }])
}
