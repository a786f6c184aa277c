import type { ClockSegment } from '@/core/job/clock'
import { W } from '@/core/language/server/readings'
import type { Channel } from '@/core/units/channel'
import { database } from '../db/pool'
import type { DeviceScope } from '../db/scope'
import { Together } from '../db/together'
import { AppError } from '../errors'
import type { Line } from './line'
import type { RegisteredFacts } from './registered'

/** Where an instrument hung, from when to when, with the clock of its car. */
export type Hanging = {
  instrumentId: string
  jobId: string
  from: Date
  to: Date | null
  barometerPa: number
  storedChannel: Channel | null
  clock: ClockSegment[]
}

/** Where a device's instruments hung, and what is known of those the shop registered. */
export type Hangings = { hangings: Hanging[]; registered: ReadonlyMap<string, RegisteredFacts> }

/** What a batch asks: `low` and `high` are the first and last time it measured. */
type Asked = {
  shopId: number
  device: DeviceScope['device']
  instruments: readonly string[]
  low: string
  high: string
}

export const noDevice = () => new AppError('not-signed-in', W.thisDeviceTokenIsNot)

/**
 * Where the instruments of a device hung while they measured these lines. Batches that come together ask together.
 * @throws AppError `not-signed-in` when its token was taken back since
 */
export async function selectHangings(db: DeviceScope, lines: readonly Line[]): Promise<Hangings> {
  // lines are in one form: they sort as they lie in time
  const times = lines.map((l) => l.at).sort()
  const found = await sharedQuestion().ask({
    shopId: db.shopId,
    device: db.device,
    instruments: [...new Set(lines.map((l) => l.instrument))],
    low: times[0] as string,
    high: times.at(-1) as string,
  })
  if (!found) throw noDevice()
  return found
}

/** Instruments one question is about at most. */
const MOST_INSTRUMENTS = 200

const shared = globalThis as unknown as { yperosHangings?: Together<Asked, Hangings | null> }

/** The process's one. */
function sharedQuestion(): Together<Asked, Hangings | null> {
  shared.yperosHangings ??= new Together({
    answer: selectTogether,
    weight: (asked) => asked.instruments.length,
    most: MOST_INSTRUMENTS,
    atOnce: 1,
  })
  return shared.yperosHangings
}

/** Without a car where the instrument hung at none. */
type Row = Hanging & { place: number; known: RegisteredFacts | null }

/** For each asker in turn; null where its token opens nothing. */
async function selectTogether(asked: readonly Asked[]): Promise<(Hangings | null)[]> {
  const each = asked.flatMap(({ instruments, ...asker }, place) =>
    instruments.map((instrument) => ({ place, instrument, ...asker })),
  )
  const { rows } = await database().query<Row>({
    name: 'hangings',
    text: HANGINGS,
    values: [
      each.map((e) => e.place),
      each.map((e) => e.device.id),
      each.map((e) => e.shopId),
      each.map((e) => e.device.tokenHash ?? null),
      each.map((e) => e.instrument),
      each.map((e) => e.low),
      each.map((e) => e.high),
    ],
  })
  return asked.map((_, i) => {
    const own = rows.filter(({ place }) => place === i)
    return own.length === 0 ? null : hangingsOf(own)
  })
}

const hangingsOf = (rows: readonly Row[]): Hangings => ({
  hangings: rows.filter((row) => row.jobId !== null),
  registered: new Map(rows.flatMap((row) => (row.known ? [[row.instrumentId, row.known] as const] : []))),
})

const HANGINGS = `select q.place, i.id as "instrumentId", a.job_id as "jobId", a.from_at as "from", a.to_at as "to",
    coalesce(j.barometer_pa, s.barometer_pa) as "barometerPa", a.stored_channel as "storedChannel",
    case when i.kind is not null then json_build_object('kind', i.kind, 'unit', i.unit, 'rangeLow', i.range_low,
      'rangeHigh', i.range_high, 'airPa', s.barometer_pa) end as known,
    (select json_agg(json_build_object('wallMs', date_part('epoch', c.wall_from) * 1000, 'jobMs',
       date_part('epoch', c.job_from) * 1000, 'factor', c.factor) order by c.wall_from)
       from job_clock c where c.job_id = a.job_id) as clock
  from unnest($1::int[], $2::uuid[], $3::int[], $4::text[], $5::text[], $6::timestamptz[], $7::timestamptz[])
    as q (place, device_id, shop_id, token_hash, instrument, low, high)
  join device d on d.id = q.device_id and d.shop_id = q.shop_id
    and (q.token_hash is null or d.token_hash = q.token_hash)
  join shop s on s.id = d.shop_id
  left join instrument i on i.shop_id = d.shop_id and i.device_id = d.id and i.id = q.instrument
  left join attachment a on a.shop_id = i.shop_id and a.instrument_id = i.id
    and a.from_at <= q.high and (a.to_at is null or a.to_at > q.low)
  left join job j on j.id = a.job_id`
