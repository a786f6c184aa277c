import { W } from '@/core/language/server/shop'
import type { Scope } from '../db/scope'

/** What is kept of what was done with accounts, rights, keys and backups. */
export const LOGGED = {
  'account-made': W.accountMade,
  'account-changed': W.accountChanged,
  'account-closed': W.accountClosed,
  'link-made': W.linkMadeToChooseA,
  'password-set': W.passwordChosen,
  'rights-set': W.rightsOfTraineesSet,
  'rules-set': W.rulesSet,
  'token-made': W.tokenOfAnInstrumentMade,
  'token-withdrawn': W.instrumentWithdrawnItsTokenWith,
  'backed-up': W.backedUp,
  restored: W.restoredFromABackup,
  'key-made': W.signingKeyMade,
  'import-withdrawn': W.fileOfAFormerLife,
  'record-imported': W.ownRecordBroughtBack,
} as const
export type Logged = keyof typeof LOGGED
export type LogLine = { id: string; at: string; by: string; what: Logged; about: string }

/** Lines shown at most. */
const MOST_LINES = 200

/** Writes down what was done, in the transaction that does it. @param by - whose hand; '' for the command line */
export async function logShop(db: Scope, by: string, what: Logged, about = ''): Promise<void> {
  await db.query('insert into shop_log (shop_id, by_name, what, about) values ($1, $2, $3, $4)', [
    db.shopId,
    by,
    what,
    about,
  ])
}

/** The newest lines first. */
export async function selectShopLog(db: Scope): Promise<LogLine[]> {
  const { rows } = await db.query<Omit<LogLine, 'at'> & { at: Date }>(
    'select id::text, at, by_name as by, what, about from shop_log where shop_id = $1 order by id desc limit $2',
    [db.shopId, MOST_LINES],
  )
  return rows.map((r) => ({ ...r, at: r.at.toISOString() }))
}
