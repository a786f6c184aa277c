import { eventHash, type RecordEvent } from '@/core/record/record'
import { MINUTE_MS } from '@/core/units/constants'
import { sha256 } from '@/node/record-crypto'
import type { Scope } from '../db/scope'
import type { StoredEvent } from '../jobs/job-rows'
import { recordForm } from './chain'

/**
 * The events of a job as they were written when they were hashed. Since times are brought to one form before that, this
 * is how the database gives them back; older events were hashed with the time as its sender wrote it, of which the
 * moment is known and the writing is found again by its hash.
 * @returns events whose writing is not found as they are stored: their link is broken then
 */
export async function asHashed(db: Scope, jobId: string, stored: readonly StoredEvent[]): Promise<RecordEvent[]> {
  const events = stored.map((event) => ({ ...recordForm(event, event.previous), hash: event.hash }))
  const holds = ({ hash, ...event }: RecordEvent) => eventHash(event, sha256) === hash
  if (events.every(holds)) return events
  const micros = await selectMicros(db, jobId)
  return events.map((event, i) =>
    holds(event) ? event : (firstThat(writings(event, micros[i] ?? ''), holds) ?? event),
  )
}

/** When each event happened, to the microsecond, UTC: `2026-11-25T14:03:00.123456`. */
async function selectMicros(db: Scope, jobId: string): Promise<string[]> {
  const { rows } = await db.query<{ at: string }>(
    `select to_char(happened_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US') as at from event
        where job_id = $1 order by seq`,
    [jobId],
  )
  return rows.map((r) => r.at)
}

/**
 * Offsets from UTC as senders write them, minutes: those of some clock on Earth first, then every one a time can be
 * written with.
 */
const OFFSETS_MIN = [
  ...Array.from({ length: (14 + 12) * 4 + 1 }, (_, i) => i * 15 - 12 * 60),
  ...Array.from({ length: 2 * (24 * 60 - 1) + 1 }, (_, i) => i - (24 * 60 - 1)).filter(
    (m) => m % 15 !== 0 || m < -12 * 60 || m > 14 * 60,
  ),
]

/**
 * Every writing a sender may have given the moment: with or without parts of a second, in any offset; and the id in
 * capitals.
 */
function* writings(event: RecordEvent, micros: string): Generator<RecordEvent> {
  const [second = '', parts = '000000'] = micros.split('.')
  const wholeMs = Date.parse(`${second}Z`)
  const shortest = parts.replace(/0+$/, '').length
  const fractions = ['', ...Array.from({ length: 9 }, (_, i) => `.${parts.padEnd(9, '0').slice(0, i + 1)}`)].filter(
    (f) => Math.max(0, f.length - 1) >= shortest,
  )
  for (const minutes of OFFSETS_MIN) {
    const local = new Date(wholeMs + minutes * MINUTE_MS).toISOString().slice(0, 19)
    for (const fraction of fractions) {
      for (const zone of zonesOf(minutes)) {
        const happened_at = `${local}${fraction}${zone}`
        yield { ...event, happened_at }
        yield { ...event, happened_at, id: event.id.toUpperCase() }
      }
    }
  }
}

function zonesOf(minutes: number): string[] {
  if (minutes === 0) return ['Z', '+00:00', '-00:00']
  return [`${minutes < 0 ? '-' : '+'}${pad(Math.floor(Math.abs(minutes) / 60))}:${pad(Math.abs(minutes) % 60)}`]
}

const pad = (n: number): string => String(n).padStart(2, '0')

function firstThat<T>(all: Iterable<T>, test: (one: T) => boolean): T | undefined {
  for (const one of all) if (test(one)) return one
  return undefined
}
