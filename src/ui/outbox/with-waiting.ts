import type { JobEvent } from '@/core/job/events'
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
  const events = waiting.flatMap((k) =>
    k.kind === 'events'
      ? k.events
          .filter((e) => !stored.has(e.id))
          .map(({ seen: _s, ...e }) => ({ ...e, storedAt: e.happenedAt, by: k.whoName }) as JobEvent)
      : [],
  )
  const opened = job.events[0]
  const barometerPa = opened?.kind === 'job-opened' ? opened.payload.place.barometerPa : STANDARD_ATMOSPHERE_PA
  const readings = waiting.flatMap((k) => (k.kind === 'readings' ? k.readings : []))
  return readings.reduce((now, r) => withReading(now, r, barometerPa), { ...job, events: [...job.events, ...events] })
}

/** A typed reading onto the curve of its channel, and as the newest of it where it is. */
function withReading(job: LiveJob, reading: SentReading, barometerPa: number): LiveJob {
  const value = toStored(reading.channel, reading.value, reading.unit, barometerPa)
  const at = Date.parse(reading.at)
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
  if (channel === 'vacuum' || channel === 'scale') return { ...job, latest, [channel]: onto(job[channel]) }
  if (channel === 'low' || channel === 'high')
    return { ...job, latest, sides: { ...job.sides, [channel]: onto(job.sides[channel]) } }
  return { ...job, latest }
}
