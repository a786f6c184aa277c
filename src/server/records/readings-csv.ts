import { stringify } from 'csv-stringify/sync'
import type { Scope } from '../db/scope'
import { selectSpan } from '../readings/span'

type Row = { at: Date; channel: string; value: number; unit: string; note: string | null }

/**
 * All readings of a job as the open CSV, in time order, as sent or typed; the text the record's digest is over.
 * A note that a spreadsheet would run as a formula gets a quote before it.
 */
export async function readingsCsv(db: Scope, jobId: string): Promise<{ text: string; count: number }> {
  const span = await selectSpan(db, jobId)
  const { rows } = await db.query<Row>(
    `select measured_at as at, channel, sent_value as value, sent_unit as unit, note
       from reading where job_id = $1 and measured_at >= $2 and measured_at <= $3 order by measured_at, seq`,
    [jobId, span?.from ?? null, span?.to ?? null],
  )
  const text = stringify(
    rows.map((r) => [r.at.toISOString(), r.channel, r.value, r.unit, r.note ?? '']),
    { header: true, escape_formulas: true, columns: ['time', 'channel', 'value', 'unit', 'note'] },
  )
  return { text, count: rows.length }
}
