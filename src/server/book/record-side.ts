import type { JobEvent } from '@/core/job/events'
import { foldJob } from '@/core/job/reduce'
import type { JobState } from '@/core/job/state'
import { type RecordPicture, recordPicture } from '@/core/record/picture'
import type { Scope } from '../db/scope'
import { selectEvents, selectJob } from '../jobs/job-rows'
import { plain } from '../jobs/record-deeds'
import { selectHistory } from '../readings/history'
import { spanOf } from '../readings/span'

export type RecordSide = { jobId: string; state: JobState; events: JobEvent[]; head: string; picture: RecordPicture }

/** More points than a picture is wide help nobody. */
const MOST_POINTS = 900

/** A job as its record shows it, or null where there is none of that id. */
export async function recordSide(db: Scope, jobId: string): Promise<RecordSide | null> {
  const job = await selectJob(db, jobId)
  if (!job) return null
  const [stored, vacuum] = await Promise.all([
    selectEvents(db, jobId),
    selectHistory(db, spanOf(job), 'vacuum', MOST_POINTS),
  ])
  const events = plain(stored)
  const state = foldJob(events)
  const picture = recordPicture(state, vacuum, job.latest.vacuum?.sentUnit)
  return { jobId, state, events, head: job.head, picture }
}
