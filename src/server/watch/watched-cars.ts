import type { ClockSegment } from '@/core/job/clock'
import { foldJob, reduceJob } from '@/core/job/reduce'
import type { JobState } from '@/core/job/state'
import type { PullForecast } from '@/core/pull/forecast'
import type { CurvePoint, JudgedHold, Latest, Ring } from '@/core/views'
import { database } from '../db/pool'
import { scopeOf } from '../db/scope'
import { selectClock, selectEvents } from '../jobs/job-rows'
import { selectRung } from './alarm-rows'
import { selectForecast } from './forecast-rows'
import { judgedHold } from './judgement-rows'

/** A car as the alarms see it, kept between two looks. */
export type WatchedCar = {
  id: string
  shopId: number
  events: number
  state: JobState
  clock: ClockSegment[]
  latest: Latest
  /** vacuum of the last minutes, Pa; the scale since its container went on, g */
  vacuum: CurvePoint[]
  scale: CurvePoint[]
  /** up to which reading they are here */
  seq: number
  judged: JudgedHold | null
  forecast: PullForecast | null
  ringing: Ring[]
  rung: string[]
}

/** What is new of a car since it was looked at. */
export type News = { readings: boolean; events: boolean; judged: boolean }
const ALL_NEWS: News = { readings: true, events: true, judged: true }
const ONLY_READ: News = { readings: true, events: false, judged: false }

type Row = { id: string; shopId: number; events: number; seq: number; latest: Latest; ringing: Ring[] }
const COLUMNS = `id, shop_id as "shopId", event_count as events, reading_seq::float8 as seq, latest, ringing`

/** Vacuum older than this tells nothing of how it moves now, ms of job time. */
const VACUUM_MS = 180_000
/** Weights of one container kept at most: half an hour at one a second, and then some. */
const MOST_WEIGHTS = 4000

/** The open jobs' rows, all of them or some. */
async function openRows(ids: readonly string[] | null): Promise<Row[]> {
  const { rows } = await database().query<Row>(
    `select ${COLUMNS} from job where signed_at is null ${ids ? 'and id = any($1::uuid[])' : ''}`,
    ids ? [ids] : [],
  )
  return rows
}

/** How far back readings of a car that is new here are asked for, and of one that was seen a moment ago. */
const FIRST_S = 7200
const LATER_S = 300

/** Of a car up to which reading, and the last that is known of it; 0 of a car that is new here. */
type Asked = { id: string; known: number; upTo: number }
type Reading = { place: number; channel: 'vacuum' | 'scale'; at: number; value: number }

/** Vacuum and weights of some jobs since the readings that are known of each, in one question; `place` is the asker's. */
async function newReadings(asked: readonly Asked[]): Promise<Reading[]> {
  if (asked.length === 0) return []
  const { rows } = await database().query<Reading>(
    `select c.place::int - 1 as place, r.channel, date_part('epoch', r.measured_at) * 1000 as at, r.value
       from unnest($1::uuid[], $2::bigint[], $3::bigint[], $4::int[]) with ordinality
         as c (id, known, up_to, back_s, place) join job j on j.id = c.id
       cross join lateral (select seq, channel, measured_at, value from reading
         where job_id = c.id and seq > c.known and seq <= c.up_to and channel in ('vacuum', 'scale')
           and measured_at >= j.readings_to - c.back_s * interval '1 second' and measured_at <= j.readings_to) r
      order by r.seq`,
    [
      asked.map((a) => a.id),
      asked.map((a) => a.known),
      asked.map((a) => a.upTo),
      asked.map((a) => (a.known > 0 ? LATER_S : FIRST_S)),
    ],
  )
  return rows
}

/** Every open job, as far as its alarms ask, kept up to date by what is told of each. */
export class WatchedCars {
  readonly cars = new Map<string, WatchedCar>()

  /**
   * All open cars: those that are new or were changed anew, and every one of them where anything may have been missed.
   * @param missed - at first, and after a line that was lost
   */
  async all(missed: boolean): Promise<void> {
    const rows = await openRows(null)
    const open = new Set(rows.map((r) => r.id))
    for (const id of this.cars.keys()) if (!open.has(id)) this.cars.delete(id)
    const events = new Map(rows.map((r) => [r.id, r.events]))
    const known = (id: string) => !missed && this.cars.get(id)?.events === events.get(id)
    await this.take(rows, (id) => (known(id) ? ONLY_READ : ALL_NEWS))
  }

  /** What is new of some cars. @returns those that are open */
  async some(news: ReadonlyMap<string, News>): Promise<WatchedCar[]> {
    const rows = await openRows([...news.keys()])
    const open = new Set(rows.map((r) => r.id))
    for (const id of news.keys()) if (!open.has(id)) this.cars.delete(id)
    await this.take(rows, (id) => news.get(id) ?? ALL_NEWS)
    return rows.flatMap((r) => this.cars.get(r.id) ?? [])
  }

  private async take(rows: readonly Row[], newsOf: (id: string) => News): Promise<void> {
    const asked: Asked[] = []
    for (const row of rows) {
      const before = this.cars.get(row.id)
      const news = newsOf(row.id)
      if (!before || before.seq < row.seq) asked.push({ id: row.id, known: before?.seq ?? 0, upTo: row.seq })
      this.cars.set(row.id, await this.follow(row, before, news))
    }
    const read = await newReadings(asked)
    const carAt = asked.map(({ id }) => this.cars.get(id))
    for (const { place, channel, at, value } of read) {
      const car = carAt[place]
      if (car) insertInTime(car[channel], { at, value })
    }
    for (const [place, { upTo }] of asked.entries()) {
      const car = carAt[place]
      if (!car) continue
      car.seq = upTo
      const newest = car.vacuum.at(-1)?.at ?? 0
      car.vacuum = car.vacuum.filter((p) => p.at >= newest - VACUUM_MS)
      car.scale = car.scale.slice(-MOST_WEIGHTS)
    }
  }

  private async follow(row: Row, before: WatchedCar | undefined, news: News): Promise<WatchedCar> {
    const { id, shopId, latest, ringing } = row
    const db = scopeOf(shopId)
    if (before && !news.events && !news.judged) return { ...before, latest }
    const fresh = !before || news.events ? await selectEvents(db, id, before ? before.events - 1 : -1) : []
    const state = before ? fresh.reduce(reduceJob, before.state) : foldJob(fresh)
    return {
      ...(before ?? { vacuum: [], scale: [], seq: 0, ringing, rung: (await selectRung(db, id)).map((r) => r.id) }),
      id,
      shopId,
      latest,
      state,
      events: (before?.events ?? 0) + fresh.length,
      clock: !before || news.events ? await selectClock(db, id) : before.clock,
      judged: await judgedHold(db, id),
      forecast: await selectForecast(db, id),
    }
  }
}

/** A reading at its place by time; nearly always the last. */
function insertInTime(curve: CurvePoint[], point: CurvePoint): void {
  let place = curve.length
  while (place > 0 && (curve[place - 1] as CurvePoint).at > point.at) place--
  curve.splice(place, 0, point)
}
