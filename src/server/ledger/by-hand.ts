import { randomUUID } from 'node:crypto'
import { canonicalJson } from '@/core/entry/canonical'
import { W } from '@/core/language/server/ledger'
import { type LedgerDraft, RECOVERY } from '@/core/shop/ledger'
import type { Account } from '../accounts/accounts'
import { requireRight } from '../accounts/roles'
import { requireOfTrainee } from '../accounts/trainee'
import { inTransaction, type Scope, type TxScope } from '../db/scope'
import { AppError } from '../errors'
import { insertEntry, type New } from './ledger'

/**
 * Books by hand: a purchase, a container weighed against the book, what was handed in, used again or lost, a
 * correction. The same id twice is booked once.
 * @throws AppError `not-allowed` for a trainee's correction, `bad-input` for a container that is none or holds
 *   something else, `conflict` when the id is booked with another content, or more is taken than the book has
 */
export async function bookByHand(scope: Scope, user: Account, draft: LedgerDraft): Promise<void> {
  await requireOfTrainee(scope, user, 'bookByHand')
  if (draft.kind === 'corrected' || draft.kind === 'weighed') requireRight(user, 'correct-book')
  await inTransaction(scope, async (tx) => {
    // two who weigh or take at once wait for each other: the second sees what the first left
    await tx.query('select pg_advisory_xact_lock(hashtext($1), $2)', ['ledger by hand', tx.shopId])
    if (await bookedBefore(tx, draft)) return
    if (draft.equipmentId !== null) await refuseOtherContainer(tx, draft.equipmentId, draft.refrigerant)
    await book(tx, user, draft)
  })
}

async function book(tx: TxScope, user: Account, draft: LedgerDraft): Promise<void> {
  const { kind, equipmentId, grams } = draft
  const line: New = { ...draft, happenedAt: new Date().toISOString(), jobId: null, eventId: null }
  const recovery = { container: RECOVERY, equipmentId: null }
  switch (kind) {
    case 'bought':
    case 'corrected':
      await insertEntry(tx, user, line)
      return
    case 'weighed': {
      const left = await leftIn(tx, draft)
      await insertEntry(tx, user, { ...line, grams: grams - left, showsG: grams })
      if (equipmentId !== null)
        await tx.query(
          `update equipment
              set spec = jsonb_set(spec, '{grossG}', to_jsonb((spec ->> 'tareG')::float8 + $2)) where id = $1
              and shop_id = $3`,
          [equipmentId, grams, tx.shopId],
        )
      return
    }
    case 'lost':
    case 'handed-in': {
      const from = kind === 'handed-in' ? { ...draft, ...recovery } : draft
      await requireLeft(tx, from)
      await insertEntry(tx, user, { ...line, container: from.container, equipmentId: from.equipmentId, grams: -grams })
      return
    }
    case 'reused': {
      await requireLeft(tx, { ...draft, ...recovery })
      await insertEntry(tx, user, { ...line, deed: draft.id })
      await insertEntry(tx, user, { ...line, ...recovery, id: randomUUID(), grams: -grams, deed: draft.id })
      await tx.query(
        `update equipment
            set spec = jsonb_set(spec, '{grossG}', to_jsonb((spec ->> 'grossG')::float8 + $2)) where id = $1
            and shop_id = $3`,
        [equipmentId, grams, tx.shopId],
      )
      return
    }
    default: {
      const unknown: never = kind
      return unknown
    }
  }
}

type Place = Pick<LedgerDraft, 'container' | 'equipmentId' | 'refrigerant'>

/** What is left in a container by the book, g. */
async function leftIn(tx: TxScope, { container, equipmentId, refrigerant }: Place): Promise<number> {
  const { rows } = await tx.query<{ left: number }>(
    `select coalesce(sum(grams), 0)::float8 as left from ledger_entry
      where shop_id = $1 and refrigerant = $2 and case when $3::uuid is null then equipment_id is null
        and container = $4 else equipment_id = $3 end`,
    [tx.shopId, refrigerant, equipmentId, container],
  )
  return rows[0]?.left ?? 0
}

/** @throws AppError `conflict` naming what the book has, where more is taken */
async function requireLeft(tx: TxScope, draft: Place & Pick<LedgerDraft, 'grams'>): Promise<void> {
  const left = await leftIn(tx, draft)
  if (draft.grams <= left + 0.5) return
  const reason = W.theBookHasGOf(Math.round(left), draft.refrigerant, draft.container)
  throw new AppError('conflict', reason, [{ path: 'grams', reason }])
}

/** Whether this very line is booked already. @throws AppError `conflict` where its id is, with another content */
async function bookedBefore(tx: TxScope, draft: LedgerDraft): Promise<boolean> {
  const { rows } = await tx.query<Omit<LedgerDraft, 'grams'> & { grams: number; showsG: number | null }>(
    `select id, kind, refrigerant, container, equipment_id as "equipmentId", grams, why, shows_g as "showsG"
       from ledger_entry where id = $1 and shop_id = $2`,
    [draft.id, tx.shopId],
  )
  const stored = rows[0]
  if (!stored) return false
  const { showsG, ...line } = stored
  const took = draft.kind === 'handed-in' || draft.kind === 'lost'
  const as = { ...line, grams: showsG ?? (took ? -line.grams : line.grams) }
  const asked = draft.kind === 'handed-in' ? { ...draft, container: RECOVERY, equipmentId: null } : draft
  if (canonicalJson(as) === canonicalJson(asked)) return true
  throw new AppError('conflict', W.thisEntryIsBookedAlready)
}

async function refuseOtherContainer(tx: Scope, equipmentId: string, refrigerant: string): Promise<void> {
  const { rows } = await tx.query<{ kind: string; name: string; held: string | null }>(
    `select kind, name, spec ->> 'refrigerant' as held from equipment where id = $1 and shop_id = $2`,
    [equipmentId, tx.shopId],
  )
  const found = rows[0]
  const fault =
    found?.kind !== 'container'
      ? W.pickAContainer(found ? W.isA(found.name, found.kind) : W.nothingOfTheShelfHas)
      : found.held !== refrigerant
        ? W.holdsNeverMix(found.name, found.held ?? '')
        : null
  if (fault) throw new AppError('bad-input', fault, [{ path: 'equipmentId', reason: fault }])
}
