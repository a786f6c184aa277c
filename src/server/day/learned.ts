import type { Learned } from '@/core/day/hands'
import type { Scope } from '../db/scope'

/** Jobs looked at, newest first: what a step took three years ago says little of today. */
const MOST_JOBS = 400
/** A visit of a step by hands longer than this was left for something else, min. */
const LONGEST_MIN = 240

/**
 * The middle of what each step took in the shop's own jobs: in all, by model, by person, by both. A simulated car's
 * clock runs fast and tells nothing of hands; nor does a job that was entered later.
 */
export async function selectLearned(db: Scope): Promise<Learned[]> {
  const { rows } = await db.query<Learned>(
    `with job_done as (
       select id, summary from job where shop_id = $1 and signed_at is not null and not simulated
         order by signed_at desc limit $2
     ), visit as (
       select v ->> 'step' as step, summary ->> 'model' as model, a.id as person,
              date_part('epoch', (v ->> 'endedAt')::timestamptz - (v ->> 'startedAt')::timestamptz) / 60 as minutes
         from job_done cross join lateral jsonb_array_elements(summary -> 'visits') v
         left join account a on a.shop_id = $1 and a.name = v ->> 'by'
        where v ->> 'endedAt' is not null and v ->> 'step' not in ('pull', 'hold', 'take-in')
     )
     select step, case when grouping(model) = 0 then model end as model, case when grouping(person) = 0
       then person end as person,
            count(*)::int as jobs, percentile_cont(0.5) within group (order by minutes) as "medianMin"
       from visit where minutes > 0 and minutes <= $3
      group by grouping sets ((step), (step, model), (step, person), (step, model, person))
     having grouping(person) = 1 or (person is not null and grouping(person) = 0)`,
    [db.shopId, MOST_JOBS, LONGEST_MIN],
  )
  return rows
}
