import { NOT_KNOWN, type Period, type Statement } from '@/core/shop/statement'
import type { Scope } from '../db/scope'
import { ON_BOOK } from './ledger'

/**
 * What every refrigerant did in a period, summed by the database over the whole book.
 * @param timeZone - the shop's: its days begin there
 */
export async function selectStatement(db: Scope, { from, to }: Period, timeZone: string): Promise<Statement[]> {
  const within = 'l.happened_at >= p.from_at'
  const sum = (where: string, sign = 1) =>
    `coalesce(${sign < 0 ? '-' : ''}sum(grams) filter (where ${within} and ${where}), 0)`
  // a difference the book found by itself hangs on the job that found it
  const unexplained = `(kind = 'weighed' and lower(why) = '${NOT_KNOWN}' or kind = 'corrected' and job_id is not null)`
  const { rows } = await db.query<Statement>(
    `select refrigerant,
       coalesce(sum(grams) filter (where not (${within}) and ${ON_BOOK}), 0) as "openingG",
       ${sum(`kind = 'bought'`)} as "boughtG",
       ${sum(`not ${ON_BOOK}`, -1)} as "singleCansG",
       ${sum(`kind = 'recovered'`)} as "recoveredG",
       ${sum(`kind = 'charged'`, -1)} as "chargedG",
       ${sum(`kind = 'purged'`, -1)} as "purgedG",
       ${sum(`kind = 'heel'`, -1)} as "heelG",
       ${sum(`kind = 'handed-in'`, -1)} as "handedInG",
       ${sum(`kind = 'lost'`, -1)} as "lostG",
       ${sum(`kind in ('weighed', 'corrected') and not ${unexplained}`)} as "explainedG",
       ${sum(unexplained)} as "unexplainedG",
       coalesce(sum(grams) filter (where ${ON_BOOK}), 0) as "closingG"
     from ledger_entry l, (select ($2::date)::timestamp at time zone $4 as from_at,
       ($3::date + 1)::timestamp at time zone $4 as to_at) p
    where l.shop_id = $1 and l.happened_at < p.to_at group by refrigerant order by refrigerant`,
    [db.shopId, from, to, timeZone],
  )
  return rows
}
