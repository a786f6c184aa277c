import { group } from 'd3-array'
import type { Channel } from '@/core/units/channel'
import type { Point } from '@/core/views'
import type { Scope } from '../db/scope'
import type { JobPulse } from '../jobs/job-rows'
import { type Cut, cutHistory } from './history'
import { addTo, pointsOf, sliceOf } from './slices'
import { spanOf } from './span'

/** What is kept of a car's channels between two views, and up to which reading it holds. */
type Drawn = { upToSeq: number; channels: Map<Channel, Cut> }

/** Cars whose history is kept at most, those looked at last. */
const MOST_CARS = 100
/** More readings than this since the last view are cut anew, at about the same price. */
const MOST_NEW = 20_000
/** A history that has grown by this much is cut anew. */
const GROWTH = 1.25

/**
 * The history of each car as its page draws it, kept by its web server: a view of a day of readings adds what came
 * since the view before instead of cutting 86,400 anew. Readings are never changed, and their numbers follow the order
 * of commits; so what is kept up to a number stays true, also where a reading of long ago comes late.
 */
export class DrawnHistories {
  /** by job; a view waits for the one before it, so that nothing is counted twice */
  private readonly kept = new Map<string, Promise<Drawn>>()

  /**
   * The points of some channels up to the last reading of `pulse`.
   * @param most - points wanted of each channel, 10 to 10000; the same at every view
   */
  async upTo(db: Scope, pulse: JobPulse, most: ReadonlyMap<Channel, number>): Promise<(channel: Channel) => Point[]> {
    const before = this.kept.get(pulse.id)
    const next = this.follow(db, pulse, most, before)
    this.kept.delete(pulse.id)
    this.kept.set(pulse.id, next)
    for (const id of [...this.kept.keys()].slice(0, -MOST_CARS)) this.kept.delete(id)
    try {
      const { channels } = await next
      return (channel) => channels.get(channel)?.points ?? []
    } catch (error) {
      if (this.kept.get(pulse.id) === next) this.kept.delete(pulse.id)
      throw error
    }
  }

  private async follow(
    db: Scope,
    pulse: JobPulse,
    most: ReadonlyMap<Channel, number>,
    before: Promise<Drawn> | undefined,
  ): Promise<Drawn> {
    // what failed for the one before is tried afresh
    const known = await before?.catch(() => undefined)
    const cut = async (channels: readonly Channel[]): Promise<[Channel, Cut][]> =>
      Promise.all(
        channels.map(async (channel) => [
          channel,
          await cutHistory(db, spanOf(pulse), channel, most.get(channel) ?? 0, pulse.readingSeq),
        ]),
      )
    const newer = known ? pulse.readingSeq - known.upToSeq : Number.NaN
    // fewer than are known: a look that was overtaken, or another database's readings under the same name
    if (!known || newer < 0 || newer > MOST_NEW)
      return { upToSeq: pulse.readingSeq, channels: new Map(await cut([...most.keys()])) }
    if (newer === 0) return known
    const fresh = await selectFresh(db, pulse, known.upToSeq, [...most.keys()])
    const channels = new Map(known.channels)
    const anew: Channel[] = []
    for (const [channel, readings] of fresh) {
      const grown = grow(channels.get(channel), readings, most.get(channel) ?? 0)
      if (grown) channels.set(channel, grown)
      else anew.push(channel)
    }
    for (const [channel, own] of await cut(anew)) channels.set(channel, own)
    return { upToSeq: pulse.readingSeq, channels }
  }
}

/** A channel with more readings; null where it has to be cut anew. */
function grow(cut: Cut | undefined, readings: readonly Fresh[], most: number): Cut | null {
  if (!cut?.slices) return null
  const slices = { ...cut.slices, slices: new Map(cut.slices.slices) }
  for (const { at, value } of readings) addTo(slices, sliceOf(at, value))
  return slices.slices.size > (most / 2) * GROWTH ? null : { points: pointsOf(slices), slices }
}

type Fresh = { at: number; value: number }

async function selectFresh(
  db: Scope,
  pulse: JobPulse,
  afterSeq: number,
  channels: readonly Channel[],
): Promise<Map<Channel, Fresh[]>> {
  const span = spanOf(pulse)
  if (!span) return new Map()
  const { rows } = await db.query<Fresh & { channel: Channel }>(
    `select channel, date_part('epoch', measured_at) * 1000 as at, value from reading
      where job_id = $1 and measured_at >= $2 and measured_at <= $3 and seq > $4 and seq <= $5
        and channel = any($6::text[])`,
    [span.jobId, span.from, span.to, afterSeq, pulse.readingSeq, channels],
  )
  return group(rows, (row) => row.channel)
}

const shared = globalThis as unknown as { yperosDrawn?: DrawnHistories }

/** The process's one. */
export function drawnHistories(): DrawnHistories {
  shared.yperosDrawn ??= new DrawnHistories()
  return shared.yperosDrawn
}
