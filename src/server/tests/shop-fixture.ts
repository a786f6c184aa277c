import { randomUUID } from 'node:crypto'
import type { EventDraft } from '@/core/job/events'
import { AIR_PA, OPENING } from '@/core/tests/opening'
import { type Account, insertAccount } from '../accounts/accounts'
import { insertSession } from '../accounts/session-rows'
import { onBehalf, type SessionScope, type UserScope } from '../accounts/user-scope'
import { emptyTables } from '../db/empty'
import { database } from '../db/pool'
import { type DeviceScope, inTransaction, type Scope, scopeOf } from '../db/scope'
import { selectPulse } from '../jobs/job-rows'
import { openJob } from '../jobs/open-job'
import { selectReadingsAfter } from '../readings/history'
import { tokenHash } from '../readings/ingest'
import { spanOf } from '../readings/span'
import { insertShop, openShop, shopOf } from '../shop/shop'

export { AIR_PA, OPENING }

let current: Scope | undefined

/** The scope of the shop the last `freshShop` made. */
export function here(): Scope {
  if (!current) throw new Error('make a shop first: freshShop()')
  return current
}

/** The same on behalf of one of its people. */
export const by = (user: Account): UserScope => onBehalf(here(), user)

/** One of its people with a session that stands. */
export async function signedIn(user: Account): Promise<SessionScope> {
  const sessionId = await insertSession(database(), user.id, 3600)
  return { ...by(user), shop: await shopOf(here()), sessionId }
}

export type Fixture = {
  lead: Account
  technician: Account
  trainee: Account
  deviceId: string
  token: string
  box: DeviceScope
}

/** An empty database with one shop, three people and one device with the gauge `G1`. */
export async function freshShop(): Promise<Fixture> {
  const db = database()
  await emptyTables(db)
  const shopId = await insertShop(db, {
    name: 'Test bay',
    altitudeM: 0,
    barometerPa: AIR_PA,
    ambientC: 20,
    timeZone: 'UTC',
    demo: true,
    certificateAsked: true,
  })
  current = scopeOf(shopId)
  await openShop(current)
  const person = (signIn: string, role: Account['role']) =>
    insertAccount(here(), { signIn, name: signIn, role, certificate: 'T-1', password: `${signIn}-password` })
  const { token, box } = await boxWith('G1', 'far gauge')
  return {
    lead: await person('lead', 'lead'),
    technician: await person('tech', 'technician'),
    trainee: await person('trainee', 'trainee'),
    deviceId: box.device.id,
    token,
    box,
  }
}

/** A device with one gauge, which hangs at no car. */
export async function boxWith(instrument: string, name = instrument): Promise<{ token: string; box: DeviceScope }> {
  const token = randomUUID()
  const { rows } = await here().query<{ id: string }>(
    `insert into device (name, kind, token_hash, shop_id) values ($1, 'instruments', $2, $3) returning id`,
    [`box of ${instrument}`, tokenHash(token), here().shopId],
  )
  const id = (rows[0] as { id: string }).id
  await here().query('insert into instrument (id, device_id, name, shop_id) values ($1, $2, $3, $4)', [
    instrument,
    id,
    name,
    here().shopId,
  ])
  return { token, box: { ...here(), device: { id, kind: 'instruments' } } }
}

/** A second shop in the same database, not opened: whatever is asked of it must have nothing of the first. */
export const anotherShop = async (): Promise<Scope> =>
  scopeOf(
    await insertShop(database(), {
      name: 'Elsewhere',
      altitudeM: 0,
      barometerPa: AIR_PA,
      ambientC: 20,
      timeZone: 'UTC',
      demo: false,
      certificateAsked: false,
    }),
  )

/** A job opened at `openedAt` with the gauge G1 hanging at it since then. */
export async function jobWithGauge(
  by: Account,
  openedAt = new Date(Date.now() - 3600_000),
  gauge = 'G1',
): Promise<string> {
  const id = randomUUID()
  await inTransaction(here(), (tx) => openJob(tx, by, { id, eventId: randomUUID(), payload: OPENING }, openedAt))
  // it hangs at one car at a time, also where several are opened together: the hand that hangs it holds the gauge
  await inTransaction(here(), async (tx) => {
    await tx.query('select 1 from instrument where id = $1 for update', [gauge])
    await tx.query(`update attachment set to_at = greatest(from_at, $1) where instrument_id = $2 and to_at is null`, [
      openedAt,
      gauge,
    ])
    await tx.query(`insert into attachment (instrument_id, job_id, from_at, shop_id) values ($1, $2, $3, $4)`, [
      gauge,
      id,
      openedAt,
      here().shopId,
    ])
  })
  return id
}

/** A draft with a fresh id that happened now, or at `at`. */
export function draft(kind: EventDraft['kind'], payload: unknown, at = new Date()): EventDraft {
  return { id: randomUUID(), kind, happenedAt: at.toISOString(), payload } as EventDraft
}

/** One NDJSON line of the gauge G1. */
export const gaugeLine = (seq: number, at: Date, micron: number, instrument = 'G1'): string =>
  JSON.stringify({ instrument, seq, at: at.toISOString(), channel: 'vacuum', value: micron, unit: 'micron' })

/** All readings of a job in the order of commits, after the number `after`; as a stream asks for them. */
export async function readingsOf(jobId: string, after = 0) {
  const db = here()
  // the span and the last number come from one look: a span by itself may be older than the readings it is used for
  const pulse = await selectPulse(db, jobId)
  return pulse ? selectReadingsAfter(db, spanOf(pulse), after, pulse.readingSeq, 10_000) : []
}
