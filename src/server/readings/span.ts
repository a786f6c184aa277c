import type { Scope } from '../db/scope'

/**
 * A job's readings and where they lie in time, both ends included: a question that names the span
 * opens and locks the months concerned only, however many partitions there are.
 */
export type Span = { jobId: string; from: Date; to: Date }

type Row = { id: string; readingsFrom: Date | null; readingsTo: Date | null }

/** The span of a job that is at hand; null while it has no reading. */
export const spanOf = ({ id, readingsFrom, readingsTo }: Row): Span | null =>
  readingsFrom && readingsTo ? { jobId: id, from: readingsFrom, to: readingsTo } : null

/** The span of a job by its id; null without such a job or without readings. */
export async function selectSpan(db: Scope, jobId: string): Promise<Span | null> {
  const { rows } = await db.query<Row>(
    'select id, readings_from as "readingsFrom", readings_to as "readingsTo" from job where id = $1 and shop_id = $2',
    [jobId, db.shopId],
  )
  return rows[0] ? spanOf(rows[0]) : null
}

/** The part of a span between two moments, either of them null for no bound; null when nothing of it is left. */
export function within(span: Span | null, from: Date | null, to: Date | null): Span | null {
  if (!span) return null
  const cut = {
    jobId: span.jobId,
    from: from && from > span.from ? from : span.from,
    to: to && to < span.to ? to : span.to,
  }
  return cut.from <= cut.to ? cut : null
}
