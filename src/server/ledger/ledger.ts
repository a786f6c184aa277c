import { randomUUID } from 'node:crypto'
import { heelG, tareOf } from '@/core/charge/plan'
import type { EquipmentOf } from '@/core/equipment/equipment'
import { withinTablesC } from '@/core/fluids/refrigerant'
import type { JobEvent } from '@/core/job/events'
import { countsAsWork, type JobState, lostG } from '@/core/job/state'
import { W } from '@/core/language/server/ledger'
import {
  type Balance,
  EITHER_WAY,
  gaveOut,
  heelLeftG,
  LEDGER_KINDS,
  type LedgerEntry,
  type LedgerKind,
  type LedgerQuery,
  RECOVERY,
  type Totals,
} from '@/core/shop/ledger'
import type { Author } from '../accounts/author'
import type { Scope, TxScope } from '../db/scope'

export type New = Omit<LedgerEntry, 'by' | 'car'> & { eventId: string | null; showsG?: number; deed?: string }

/** Books a line; one that is booked already is left as it is. @returns whether it is new */
export async function insertEntry(tx: Scope, author: Author, e: New): Promise<boolean> {
  const { rowCount } = await tx.query(
    `insert into ledger_entry (id, kind, happened_at, by_account, by_name, refrigerant, container, equipment_id,
      grams, job_id, event_id, why, shop_id, shows_g, deed)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15) on conflict do nothing`,
    [
      e.id,
      e.kind,
      e.happenedAt,
      author.id,
      author.name,
      e.refrigerant,
      e.container,
      e.equipmentId,
      e.grams,
      e.jobId,
      e.eventId,
      e.why,
      tx.shopId,
      e.showsG ?? null,
      e.deed ?? null,
    ],
  )
  return rowCount === 1
}

/** Which lines are asked for; parameters 1 to 6. */
const ASKED = `l.shop_id = $1 and ($2::date is null or l.happened_at >= ($2::date)::timestamp at time zone $6)
        and ($3::date is null or l.happened_at < ($3::date + 1)::timestamp at time zone $6)
        and ($4::text is null or position(lower($4) in lower(l.container)) > 0)
        and ($5::text is null or position(lower($5) in lower(j.summary ->> 'name')) > 0)`
const FROM = 'from ledger_entry l left join job j on j.id = l.job_id'
const askedOf = (db: Scope, query: LedgerQuery, timeZone: string) => [
  db.shopId,
  query.from ?? null,
  query.to ?? null,
  query.container || null,
  query.car || null,
  timeZone,
]

/**
 * Lines of the ledger, newest first.
 * @param timeZone - the shop's: its days begin there
 * @param before - only those that stand behind this one in that order
 */
export async function selectLedger(
  db: Scope,
  query: LedgerQuery,
  timeZone: string,
  limit: number,
  before?: LedgerEntry,
): Promise<LedgerEntry[]> {
  const { rows } = await db.query<Omit<LedgerEntry, 'happenedAt'> & { happenedAt: Date }>(
    `select l.id, l.kind, l.happened_at as "happenedAt", l.by_name as by, l.refrigerant, l.container,
      l.equipment_id as "equipmentId", l.grams,
            l.job_id as "jobId", j.summary ->> 'name' as car, l.why
       ${FROM} where ${ASKED} and ($7::timestamptz is null or (l.happened_at, l.id) < ($7, $8::uuid))
      order by l.happened_at desc, l.id desc limit $9`,
    [...askedOf(db, query, timeZone), before?.happenedAt ?? null, before?.id ?? null, limit],
  )
  return rows.map((r) => ({ ...r, happenedAt: r.happenedAt.toISOString() }))
}

/** Sums of the lines that are asked for, by the database: no page's length cuts them. */
export async function selectTotals(db: Scope, query: LedgerQuery, timeZone: string): Promise<Totals> {
  const { rows } = await db.query<{ refrigerant: string; kind: LedgerKind; grams: number }>(
    `select l.refrigerant, l.kind, sum(l.grams) as grams ${FROM} where ${ASKED} group by 1, 2 order by 1`,
    askedOf(db, query, timeZone),
  )
  return [...new Set(rows.map((r) => r.refrigerant))].map((refrigerant) => {
    const of = (kind: LedgerKind) => rows.find((r) => r.refrigerant === refrigerant && r.kind === kind)?.grams ?? 0
    const sums = LEDGER_KINDS.map((kind) => [kind, EITHER_WAY.includes(kind) ? of(kind) : Math.abs(of(kind))])
    return { refrigerant, sums: Object.fromEntries(sums) as Record<LedgerKind, number> }
  })
}

/** Lines that stand on the book: not what a can of one charge only gave, which was never on it. */
export const ON_BOOK = `(equipment_id is not null or kind not in ('charged', 'purged', 'heel'))`

/** What is left in every container by the book, g; the recovery cylinder among them. */
export async function selectBalances(db: Scope): Promise<Balance[]> {
  const { rows } = await db.query<Balance>(
    `select max(container) as container, equipment_id as "equipmentId", refrigerant, sum(grams) as grams
       from ledger_entry
      where shop_id = $1 and ${ON_BOOK}
      group by equipment_id, refrigerant, case when equipment_id is null then container end
      order by 1`,
    [db.shopId],
  )
  return rows
}

/**
 * Books what an event of a job moved, in that event's own transaction: a container's charge and purge, or what was
 * recovered. A container on the shelf weighs from then on what the scale showed. Where the book has less than was
 * weighed out, a correction says so by name.
 */
export async function bookEvent(
  tx: TxScope,
  author: Author,
  jobId: string,
  event: JobEvent,
  state: JobState,
): Promise<void> {
  if (!countsAsWork(state)) return
  const { refrigerant } = state.opened.label
  const ambientC = withinTablesC(state.opened.place.ambientC)
  const base = { happenedAt: event.happenedAt, refrigerant, jobId, eventId: event.id, why: '' }
  if (event.kind === 'recovered') {
    await insertEntry(tx, author, {
      ...base,
      id: randomUUID(),
      kind: 'recovered',
      container: RECOVERY,
      equipmentId: null,
      grams: event.payload.grams,
    })
    return
  }
  if (event.kind === 'part-charge') {
    const { inG, outG } = event.payload
    const round = { ...base, equipmentId: null, why: W.forTheSniffer }
    const from = W.aPartCharge(state.opened.car.name)
    await insertEntry(tx, author, { ...round, id: randomUUID(), kind: 'charged', container: from, grams: -inG })
    await insertEntry(tx, author, {
      ...round,
      id: randomUUID(),
      kind: 'recovered',
      container: RECOVERY,
      grams: outG,
    })
    return
  }
  if (event.kind === 'can-emptied') {
    const can = {
      ...base,
      why: W.countedNotWeighed,
      container: W.wholeCan(state.opened.car.name),
      equipmentId: null,
    }
    await insertEntry(tx, author, { ...can, id: randomUUID(), kind: 'charged', grams: -event.payload.estimateG })
    return
  }
  if (event.kind !== 'container-ended') return
  const ended = state.containers.find((c) => c.id === event.payload.id && c.endedAt === event.happenedAt)
  if (!ended) return
  const planned = state.plan?.containers.find((c) => c.id === ended.id)
  const { purgeG, hoseG } = lostG(state, ended.id)
  const { chargedG, purgedG } = gaveOut(ended.startGrossG, event.payload.grossG, purgeG + hoseG)
  const equipmentId = planned?.stockId ?? null
  const place = { container: equipmentId ? ended.id : `${ended.id}, ${state.opened.car.name}`, equipmentId }
  // a full can's tare is what it weighed less its net, whatever hung on the scale with it
  const emptied = planned
    ? heelLeftG(
        { kind: planned.kind, tareG: tareOf({ ...planned, grossG: ended.startGrossG }) },
        event.payload.grossG,
        heelG(planned, refrigerant, ambientC),
      )
    : 0
  if (equipmentId) await coverBy(tx, author, { ...base, ...place }, chargedG + purgedG + emptied, event.payload.grossG)
  const book = (kind: LedgerKind, grams: number) =>
    grams > 0
      ? insertEntry(tx, author, { ...base, ...place, id: randomUUID(), kind, grams: -grams })
      : Promise.resolve(false)
  await book('charged', chargedG)
  await book('purged', purgedG)
  await book('heel', emptied)
}

/**
 * A shelf container: its weight follows the scale, and its book never goes below nothing without a correction that says
 * why.
 */
async function coverBy(
  tx: TxScope,
  author: Author,
  place: Omit<New, 'id' | 'kind' | 'grams'>,
  outG: number,
  endGrossG: number,
): Promise<void> {
  const { rows } = await tx.query<{ left: number }>(
    `select coalesce(sum(grams), 0)::float8 as left from ledger_entry where equipment_id = $1 and shop_id = $2`,
    [place.equipmentId, tx.shopId],
  )
  const missing = outG - (rows[0]?.left ?? 0)
  if (missing > 1e-6) {
    const why = W.moreWasWeighedOutThan
    await insertEntry(tx, author, { ...place, id: randomUUID(), kind: 'corrected', grams: missing, why })
  }
  await tx.query(
    `update equipment set spec = jsonb_set(spec, '{grossG}', to_jsonb($2::float8)) where id = $1
        and kind = 'container' and shop_id = $3`,
    [place.equipmentId, endGrossG, tx.shopId],
  )
}

/** A container that comes onto the shelf brings what is in it: booked once. */
export async function bookOpening(db: Scope, author: Author, item: EquipmentOf<'container'>): Promise<void> {
  await db.query(
    `insert into ledger_entry (id, kind, happened_at, by_account, by_name, refrigerant, container,
        equipment_id, grams, why, shop_id)
     select $1, 'bought', now(), $2, $3, $4, $5, $6, $7, 'as it came onto the shelf', $8
      where not exists (select 1 from ledger_entry where equipment_id = $6)`,
    [
      randomUUID(),
      author.id,
      author.name,
      item.spec.refrigerant,
      item.name,
      item.id,
      item.spec.grossG - item.spec.tareG,
      db.shopId,
    ],
  )
}
