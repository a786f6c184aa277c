import type { JobEvent, PayloadOf } from '@/core/job/events'
import { toStored } from '@/core/units/channel'
import { STANDARD_ATMOSPHERE_PA } from '@/core/units/constants'
import type { CurvePoint } from '@/core/views'
import type { LiveJob } from '../hooks/use-job-live'
import type { Kept, SentReading } from './store'

/** The job as it stands with what waits here: deeds after what is stored, readings at their own times. */
export function withWaiting(job: LiveJob, kept: readonly Kept[]): LiveJob {
  const waiting = kept.filter((k) => k.state === 'waiting')
  if (waiting.length === 0) return job
  const stored = new Set(job.events.map((e) => e.id))
  const events = waiting.flatMap((k) => eventsOf(k).filter((e) => !stored.has(e.id)))
  const opened = job.events[0]
  const barometerPa = opened?.kind === 'job-opened' ? opened.payload.place.barometerPa : STANDARD_ATMOSPHERE_PA
  const from = { ...job, events: [...job.events, ...events] }
  return waiting.reduce(
    (now, k) =>
      k.kind === 'readings' ? k.readings.reduce((n, r) => withReading(n, r, barometerPa, k.whoName), now) : now,
    from,
  )
}

/** The events something that waits will be, as far as this device knows them. */
function eventsOf(kept: Kept): JobEvent[] {
  const by = kept.whoName
  switch (kept.kind) {
    case 'events':
      return kept.events.map(({ seen: _s, ...e }) => ({ ...e, storedAt: e.happenedAt, by }) as JobEvent)
    case 'readings':
      return []
    case 'hold-end':
      return [own(kept, by, 'hold-ended', kept.ended)]
    case 'sign':
      return [own(kept, by, 'signed', { certificate: kept.certificate, readingCount: 0, readingsSha256: '' })]
    case 'photos':
      return [own(kept, by, 'pictured', { photo: kept.id, of: kept.of, caption: kept.caption, sha256: '' })]
    default: {
      const unknown: never = kept
      return unknown
    }
  }
}

const own = <K extends JobEvent['kind']>(
  { id, at }: { id: string; at: string },
  by: string,
  kind: K,
  payload: PayloadOf<K>,
) => ({ id, kind, payload, happenedAt: at, storedAt: at, by }) as unknown as JobEvent

/** A typed reading onto the curve of its channel, and as the newest of it where it is. */
function withReading(job: LiveJob, reading: SentReading, barometerPa: number, by: string): LiveJob {
  const value = toStored(reading.channel, reading.value, reading.unit, barometerPa)
  const at = Date.parse(reading.at)
  const typed = [
    {
      seq: -reading.seq,
      at,
      channel: reading.channel,
      value,
      sentValue: reading.value,
      sentUnit: reading.unit,
      instrument: 'hand',
      by,
    },
    ...job.typed,
  ]
  const newer = (job.latest[reading.channel]?.at ?? '') < reading.at
  const latest = newer
    ? {
        ...job.latest,
        [reading.channel]: {
          value,
          at: reading.at,
          sentValue: reading.value,
          sentUnit: reading.unit,
          instrument: 'hand',
        },
      }
    : job.latest
  const onto = (curve: CurvePoint[]) => [...curve, { at, value }].sort((a, b) => a.at - b.at)
  const { channel } = reading
  if (channel === 'vacuum' || channel === 'scale') return { ...job, typed, latest, [channel]: onto(job[channel]) }
  if (channel === 'low' || channel === 'high')
    return { ...job, typed, latest, sides: { ...job.sides, [channel]: onto(job.sides[channel]) } }
  return { ...job, typed, latest }
}
