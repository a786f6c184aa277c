import { randomBytes } from 'node:crypto'
import * as z from 'zod'
import { verbatim } from '@/core/entry/text'
import { W } from '@/core/language/server/instruments'
import { type Instrument, type LastSaid, NewInstrument } from '@/core/shop/instruments'
import { requireRight } from '../accounts/roles'
import type { SessionScope } from '../accounts/user-scope'
import { inTransaction, type Scope, type TxScope } from '../db/scope'
import { AppError, notFound } from '../errors'
import { tokenHash } from '../readings/ingest'
import { logShop } from '../shop/shop-log'

const InstrumentId = verbatim(80, 1)

/** What the lead does with an instrument: registers one, gives it a new token, withdraws it, or takes it back in. */
export const InstrumentChange = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('register'), instrument: NewInstrument }),
  z.strictObject({ what: z.literal('renew'), id: InstrumentId }),
  z.strictObject({ what: z.literal('withdraw'), id: InstrumentId }),
  z.strictObject({ what: z.literal('change'), id: InstrumentId, instrument: NewInstrument }),
])

/** A token is told once; only its hash is kept. */
export type Registered = { id: string; token: string | null }

/** Bytes of a token: as many as a key has. */
const TOKEN_BYTES = 24
const freshToken = (): string => randomBytes(TOKEN_BYTES).toString('base64url')

type Row = Omit<Instrument, 'on' | 'odd' | 'seenAt' | 'withdrawn' | 'last'> & {
  last: LastSaid | null
  seenAt: Date | null
  withdrawnAt: Date | null
  jobId: string | null
  car: string | null
  since: Date | null
  seat: 'far' | 'pump' | null
  oddCount: number
  oddReason: string | null
}

/** The instruments of the shop, with what each said last and where it hangs; those of the simulated bench are none. */
export async function selectInstruments(db: Scope): Promise<Instrument[]> {
  const { rows } = await db.query<Row>(
    `select i.id, i.kind, i.name, i.unit, i.step, i.range_low as "rangeLow", i.range_high as "rangeHigh",
            to_char(i.calibrated_on, 'YYYY-MM-DD') as "calibratedOn", i.last, i.battery, i.seen_at as "seenAt",
              i.withdrawn_at as "withdrawnAt",
            j.id as "jobId", j.summary ->> 'name' as car, a.from_at as since, a.seat,
            (select count(*)::int from odd_reading o where o.shop_id = i.shop_id
              and o.instrument_id = i.id) as "oddCount",
            (select o.reason from odd_reading o where o.shop_id = i.shop_id and o.instrument_id = i.id
              order by stored_at desc limit 1) as "oddReason"
       from instrument i
       left join attachment a on a.shop_id = i.shop_id and a.instrument_id = i.id and a.to_at is null
       left join job j on j.id = a.job_id
      where i.shop_id = $1 and i.kind is not null order by i.withdrawn_at is not null, i.kind, i.name`,
    [db.shopId],
  )
  return rows.map(({ jobId, car, since, seat, oddCount, oddReason, seenAt, withdrawnAt, ...row }) => ({
    ...row,
    seenAt: seenAt?.toISOString() ?? null,
    withdrawn: withdrawnAt !== null,
    on: jobId && since ? { jobId, car: car ?? '', since: since.toISOString(), seat: seat ?? 'far' } : null,
    odd: oddCount > 0 ? { count: oddCount, reason: oddReason ?? '' } : null,
  }))
}

/**
 * Registers an instrument, renews its token, withdraws or changes it.
 * @throws AppError `not-allowed` for anybody but the lead, `conflict` for a name that is taken, `not-found`
 */
export async function changeInstrument(
  scope: SessionScope,
  change: z.infer<typeof InstrumentChange>,
): Promise<Registered> {
  requireRight(scope.user, 'edit-shop')
  return inTransaction(scope, async (tx) => {
    const done = await changed(tx, change)
    const logged = LOGGED_AS[change.what]
    if (logged) await logShop(tx, scope.user.name, logged, done.id)
    return done
  })
}

const LOGGED_AS = { register: 'token-made', renew: 'token-made', withdraw: 'token-withdrawn', change: null } as const

async function changed(tx: TxScope, change: z.infer<typeof InstrumentChange>): Promise<Registered> {
  switch (change.what) {
    case 'register':
      return register(tx, change.instrument)
    case 'change':
      return rewrite(tx, change.id, change.instrument)
    case 'renew':
      return renew(tx, change.id)
    case 'withdraw':
      return withdraw(tx, change.id)
    default: {
      const unknown: never = change
      return unknown
    }
  }
}

async function register(tx: TxScope, instrument: NewInstrument): Promise<Registered> {
  await refuseTakenName(tx, instrument.name, null)
  const id = await freeId(tx, instrument.kind)
  const token = freshToken()
  const { rows } = await tx.query<{ id: string }>(
    `insert into device (name, kind, token_hash, shop_id) values ($1, 'instruments', $2, $3) returning id`,
    [id, tokenHash(token), tx.shopId],
  )
  await tx.query(`insert into instrument (id, device_id, name, shop_id) values ($1, $2, $3, $4)`, [
    id,
    rows[0]?.id,
    instrument.name,
    tx.shopId,
  ])
  await write(tx, id, instrument)
  return { id, token }
}

async function rewrite(tx: TxScope, id: string, instrument: NewInstrument): Promise<Registered> {
  await refuseTakenName(tx, instrument.name, id)
  await write(tx, id, instrument)
  return { id, token: null }
}

async function write(tx: TxScope, id: string, i: NewInstrument): Promise<void> {
  const { rowCount } = await tx.query(
    `update instrument
        set kind = $3, name = $4, unit = $5, step = $6, range_low = $7, range_high = $8, calibrated_on = $9
      where shop_id = $1 and id = $2 and device_id is not null`,
    [tx.shopId, id, i.kind, i.name, i.unit, i.step, i.rangeLow, i.rangeHigh, i.calibratedOn],
  )
  if (rowCount !== 1) throw notFound(W.thisInstrument)
}

async function renew(tx: TxScope, id: string): Promise<Registered> {
  const token = freshToken()
  const { rowCount } = await tx.query(
    `update device set token_hash = $3 where shop_id = $1 and kind = 'instruments'
        and id = (select device_id from instrument where shop_id = $1 and id = $2 and kind is not null)`,
    [tx.shopId, id, tokenHash(token)],
  )
  if (rowCount !== 1) throw notFound(W.thisInstrument)
  await tx.query('update instrument set withdrawn_at = null where shop_id = $1 and id = $2', [tx.shopId, id])
  return { id, token }
}

/** Its token opens nothing any more; what it measured stays. */
async function withdraw(tx: TxScope, id: string): Promise<Registered> {
  await renew(tx, id)
  await tx.query('update instrument set withdrawn_at = now() where shop_id = $1 and id = $2', [tx.shopId, id])
  return { id, token: null }
}

async function refuseTakenName(tx: TxScope, name: string, but: string | null): Promise<void> {
  // names of one kind of thing are told apart under a lock, so that of two who register at once one is told
  await tx.query('select 1 from shop where id = $1 for update', [tx.shopId])
  const { rowCount } = await tx.query(
    `select 1 from instrument where shop_id = $1 and kind is not null and lower(name) = lower($2)
        and id is distinct from $3`,
    [tx.shopId, name, but],
  )
  if (rowCount)
    throw new AppError('conflict', W.thereIsAnInstrumentCalled(name), [
      { path: 'instrument.name', reason: W.isTakenTwoOfOne },
    ])
}

/** Such as `vacuum-2`: what its lines name it by. */
async function freeId(tx: TxScope, kind: string): Promise<string> {
  const { rows } = await tx.query<{ n: number }>(
    `select coalesce(max(substring(id from '[0-9]+$')::int), 0) + 1 as n from instrument where shop_id = $1 and id
      ~ ('^' || $2 || '-[0-9]{1,6}$')`,
    [tx.shopId, kind],
  )
  return `${kind}-${rows[0]?.n ?? 1}`
}
