import type { Judgement } from '@/core/schools/judgement'
import type { JudgedHold } from '@/core/views'
import type { Queryable } from '../db/pool'

/** A judgement as it is kept: of which hold (0 for the first), up to which reading. */
export type KeptJudgement = { hold: number; readingSeq: number; judgement: Judgement }

/**
 * Keeps what was judged of a job's hold in place of what was judged before. @param found - the finding that may be
 * acted on, null while there is none
 */
export async function upsertJudgement(
  db: Queryable,
  jobId: string,
  { hold, readingSeq, judgement }: KeptJudgement,
  found: string | null,
): Promise<void> {
  await db.query(
    `insert into judgement (job_id, hold, reading_seq, judged_at, looked_at, verdict, found, payload)
        values ($1, $2, $3, now(), now(), $4, $5, $6)
     on conflict (job_id) do update
       set hold = excluded.hold, reading_seq = excluded.reading_seq, judged_at = excluded.judged_at,
       looked_at = excluded.looked_at, verdict = excluded.verdict, found = excluded.found, payload = excluded.payload`,
    [jobId, hold, readingSeq, judgement.result.verdict, found, JSON.stringify(judgement)],
  )
}

/** The judge looked, and what it said of that hold stands. @returns false where nothing is kept of it any more */
export async function lookedAt(db: Queryable, jobId: string, hold: number): Promise<boolean> {
  const { rowCount } = await db.query('update judgement set looked_at = now() where job_id = $1 and hold = $2', [
    jobId,
    hold,
  ])
  return rowCount === 1
}

/** What was last judged of a job, or null. */
export async function selectJudgement(db: Queryable, jobId: string): Promise<KeptJudgement | null> {
  const { rows } = await db.query<{ hold: number; readingSeq: number; judgement: Judgement }>(
    'select hold, reading_seq::float8 as "readingSeq", payload as judgement from judgement where job_id = $1',
    [jobId],
  )
  return rows[0] ?? null
}

/** What pages know of it. */
export async function judgedHold(db: Queryable, jobId: string): Promise<JudgedHold | null> {
  const kept = await selectJudgement(db, jobId)
  return kept && { hold: kept.hold, ...kept.judgement }
}
