import type { PersonFigures } from '@/core/book/people'
import type { Period } from '@/core/shop/statement'
import type { Scope } from '../db/scope'

/**
 * What is told of each person of the shop in a period; training counts for nobody.
 * @param only - one account alone; null for everybody
 */
export async function selectPeople(
  db: Scope,
  { from, to }: Period,
  timeZone: string,
  only: string | null,
): Promise<PersonFigures[]> {
  const { rows } = await db.query<PersonFigures>(
    `with p as (select ($2::date)::timestamp at time zone $4 as from_at,
        ($3::date + 1)::timestamp at time zone $4 as to_at),
     deed as (
       select e.by_account as account, e.kind, (b.visit ->> 'offTargetG')::float8 as off from event e cross join p
         join book_line b on b.id = e.job_id and b.visit is not null
        where e.shop_id = $1 and e.happened_at >= p.from_at and e.happened_at < p.to_at
          and e.kind in ('signed', 'hold-skipped', 'hold-shortened', 'caution-passed') and e.by_account is not null
     ), deeds as (
       select account, count(*) filter (where kind = 'signed')::int as signed,
         count(off) filter (where kind = 'signed')::int as charges,
         percentile_cont(0.5) within group (order by abs(off)) filter (where kind = 'signed') as "offMedianG",
         max(abs(off)) filter (where kind = 'signed') as "offMostG",
         count(*) filter (where kind = 'hold-skipped')::int as skipped,
         count(*) filter (where kind = 'hold-shortened')::int as shortened,
         count(*) filter (where kind = 'caution-passed')::int as cautions
         from deed group by account
     ), rang as (
       select j.whose as account, count(*)::int as alarms,
         count(*) filter (where not exists (select 1 from event e where e.job_id = a.job_id
           and e.kind = 'alarm-answered'
           and e.payload ->> 'alarm' = a.id))::int as unanswered
         from alarm a cross join p join job j on j.id = a.job_id join book_line b on b.id = j.id and b.visit is not null
        where a.shop_id = $1 and a.rang_at >= p.from_at and a.rang_at < p.to_at and j.whose is not null group by 1
     )
     select w.id, w.name, coalesce(d.signed, 0) as signed, coalesce(d.charges, 0) as charges,
       d."offMedianG", d."offMostG",
       coalesce(d.skipped, 0) as skipped, coalesce(d.shortened, 0) as shortened, coalesce(d.cautions, 0) as cautions,
       coalesce(r.alarms, 0) as alarms, coalesce(r.unanswered, 0) as unanswered
       from account w left join deeds d on d.account = w.id left join rang r on r.account = w.id
      where w.shop_id = $1 and ($5::uuid is null or w.id = $5) and (w.disabled_at is null or d.account is not null)
      order by w.name`,
    [db.shopId, from, to, timeZone, only],
  )
  return rows
}
