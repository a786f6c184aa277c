import {
  type EquipmentDeed,
  type EquipmentWritten,
  equipmentRead,
  type PumpUse,
  type Shelved,
} from '@/core/equipment/equipment'
import type { Author } from '../accounts/author'
import type { Scope } from '../db/scope'

/** Everything on the shelf with its deeds, newest first, and each pump's use since its oil was changed. */
export async function selectShelf(db: Scope): Promise<Shelved[]> {
  // one after the other: inside a transaction there is one connection
  const items = await db.query<EquipmentWritten>(
    'select id, name, kind, spec, retired from equipment where shop_id = $1 order by retired, kind, name',
    [db.shopId],
  )
  const deeds = await db.query<EquipmentDeed & { equipmentId: string; happenedAt: Date | string }>(
    `select id, equipment_id as "equipmentId", kind, happened_at as "happenedAt", by_name as by, payload
         from equipment_deed where shop_id = $1 order by happened_at desc, stored_at desc limit 2000`,
    [db.shopId],
  )
  const uses = await selectPumpUse(db)
  return items.rows.map(equipmentRead).map((item): Shelved => {
    const own = deeds.rows
      .filter((d) => d.equipmentId === item.id)
      .map(
        ({ equipmentId: _, ...deed }) =>
          ({ ...deed, happenedAt: new Date(deed.happenedAt).toISOString() }) as EquipmentDeed,
      )
    return item.kind === 'pump'
      ? { ...item, deeds: own, use: uses.get(item.id) ?? { hours: 0, wetJobs: 0, jobs: 0 } }
      : { ...item, deeds: own }
  })
}

/**
 * Hours between a pump's `on` and the next turn of it, on all jobs it was named in, since its oil was last changed; job
 * time. A job is wet when the system was open overnight or longer, or a hold of it was judged damp.
 */
async function selectPumpUse(db: Scope): Promise<Map<string, PumpUse>> {
  const { rows } = await db.query<PumpUse & { pump: string }>(
    `with changed as (
       select equipment_id::text as pump, max(happened_at) as at from equipment_deed where shop_id = $1
         and kind = 'oil-changed' group by 1
     ), opened as (
       select e.job_id, e.payload -> 'rig' -> 'equipment' ->> 'pump' as pump,
         e.payload -> 'story' ->> 'opened' in ('overnight', 'days') as wet
         from event e where e.shop_id = $1 and e.seq = 0 and e.payload -> 'rig' -> 'equipment' ->> 'pump' is not null
           and coalesce(e.payload ->> 'purpose', 'work') = 'work'
     ), turned as (
       select o.pump, o.job_id, o.wet, e.payload ->> 'state' as state, e.happened_at as from_at,
              coalesce(lead(e.happened_at) over (partition by e.job_id
                order by e.seq), greatest(now(), e.happened_at)) as to_at,
              coalesce(c.at, '-infinity') as since
         from opened o join event e on e.job_id = o.job_id and e.kind = 'part-set' and e.payload ->> 'part' = 'pump'
         left join changed c on c.pump = o.pump
     ), ran as (
       select pump, job_id, wet, since, sum(extract(epoch
         from to_at - greatest(from_at, since))) as s, max(to_at) as until
         from turned where state = 'on' and to_at > since group by pump, job_id, wet, since
     )
     select pump, (sum(s) / 3600)::float8 as hours, count(*)::int as jobs,
            (count(*) filter (where wet or exists (
               select 1 from event h where h.job_id = ran.job_id and h.kind = 'hold-ended' and h.happened_at > ran.since
                  and h.payload ->> 'verdict' in ('damp', 'leak-and-damp'))))::int as "wetJobs"
       from ran group by pump`,
    [db.shopId],
  )
  return new Map(rows.map(({ pump, ...use }) => [pump, use]))
}

/** Puts a thing on the shelf or changes what is written of it; its kind stays. */
export async function upsertEquipment(db: Scope, item: EquipmentWritten): Promise<void> {
  await db.query(
    `insert into equipment (id, kind, name, spec, retired, shop_id) values ($1, $2, $3, $4, $5, $6)
     on conflict (id) do update set name = excluded.name, spec = excluded.spec, retired = excluded.retired
       where equipment.kind = excluded.kind and equipment.shop_id = excluded.shop_id`,
    [item.id, item.kind, item.name, JSON.stringify(item.spec), item.retired, db.shopId],
  )
}

export type NewDeed = {
  id: string
  equipmentId: string
  kind: EquipmentDeed['kind']
  happenedAt: string
  payload: unknown
}

/** Adds a deed; the same id twice is one deed. */
export async function insertDeed(db: Scope, by: Author, deed: NewDeed): Promise<void> {
  await db.query(
    `insert into equipment_deed (id, equipment_id, kind, happened_at, by_account, by_name, payload, shop_id)
     values ($1, $2, $3, $4, $5, $6, $7, $8)
     on conflict (id) do nothing`,
    [deed.id, deed.equipmentId, deed.kind, deed.happenedAt, by.id, by.name, JSON.stringify(deed.payload), db.shopId],
  )
}
