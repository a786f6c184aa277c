import type { NewInstrument } from '@/core/shop/instruments'
import type { DeviceScope } from '../db/scope'
import type { Line } from './line'

/** What a reading of an instrument of the shop is held against; the air of the place, Pa. */
export type RegisteredFacts = Pick<NewInstrument, 'kind' | 'unit' | 'rangeLow' | 'rangeHigh'> & { airPa: number }

/** A reading that cannot be used, and why. */
export type Odd = { line: Line; reason: string }

/** How often what an instrument said last is written down, ms: pages that show it are looked at by eye. */
const SEEN_EVERY_MS = 2000
const seen = new Map<string, number>()

/** Writes down what the shop's instruments said last, whether they hang on a car or not; the bench's have no kind. */
export async function tellSeen(
  db: DeviceScope,
  lines: readonly Line[],
  registered: ReadonlyMap<string, RegisteredFacts>,
): Promise<void> {
  const nowMs = Date.now()
  for (const id of registered.keys()) {
    const key = `${db.shopId} ${id}`
    if (nowMs - (seen.get(key) ?? 0) < SEEN_EVERY_MS) continue
    const last = lines.findLast((l) => l.instrument === id)
    if (!last) continue
    seen.set(key, nowMs)
    const { channel, value, unit, at, battery } = last
    await db.query(
      `update instrument set last = $3, battery = coalesce($4, battery), seen_at = now()
          where shop_id = $1 and id = $2`,
      [db.shopId, id, JSON.stringify({ channel, value, unit, at }), battery ?? null],
    )
  }
}

/** Keeps what cannot be used as it was sent; the same sent again is kept once. */
export async function storeOdd(db: DeviceScope, odd: readonly Odd[]): Promise<void> {
  await db.query(
    `insert into odd_reading (shop_id, instrument_id, device_seq, sent_at, channel, value, unit, reason)
     select $1, *
       from unnest($2::text[], $3::bigint[], $4::timestamptz[], $5::text[], $6::float8[], $7::text[],
       $8::text[])
     on conflict do nothing`,
    [
      db.shopId,
      odd.map((o) => o.line.instrument),
      odd.map((o) => o.line.seq),
      odd.map((o) => o.line.at),
      odd.map((o) => o.line.channel),
      odd.map((o) => o.line.value),
      odd.map((o) => o.line.unit),
      odd.map((o) => o.reason),
    ],
  )
}
