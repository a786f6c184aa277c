import type { Procedure } from '@/core/procedure/events'
import type { StoredProcedure, StoredRig } from '@/core/views'
import type { Queryable } from '../db/pool'

export async function selectProcedures(db: Queryable): Promise<StoredProcedure[]> {
  const { rows } = await db.query<StoredProcedure>(
    `select id, name, target_micron as "targetMicron", pull_minutes as "pullMinutes", hold_minutes as "holdMinutes", proves
       from procedure order by name`,
  )
  return rows
}

export async function upsertProcedure(db: Queryable, p: Procedure & { id: string; proves: string }): Promise<void> {
  await db.query(
    `insert into procedure (id, name, target_micron, pull_minutes, hold_minutes, proves) values ($1, $2, $3, $4, $5, $6)
     on conflict (id) do update set name = excluded.name, target_micron = excluded.target_micron,
       pull_minutes = excluded.pull_minutes, hold_minutes = excluded.hold_minutes, proves = excluded.proves`,
    [p.id, p.name, p.targetMicron, p.pullMinutes, p.holdMinutes, p.proves],
  )
}

export async function selectRigs(db: Queryable): Promise<StoredRig[]> {
  const { rows } = await db.query<StoredRig>(
    `select id, name, bore_mm as "boreMm", length_m as "lengthM", hoses, pump_cfm as "pumpCfm",
            ultimate_micron as "ultimateMicron", gauge, scale_step_g as "scaleStepG"
       from rig order by name`,
  )
  return rows
}

export async function upsertRig(db: Queryable, r: StoredRig): Promise<void> {
  await db.query(
    `insert into rig (id, name, bore_mm, length_m, hoses, pump_cfm, ultimate_micron, gauge, scale_step_g)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
     on conflict (id) do update set name = excluded.name, bore_mm = excluded.bore_mm, length_m = excluded.length_m, hoses = excluded.hoses,
       pump_cfm = excluded.pump_cfm, ultimate_micron = excluded.ultimate_micron, gauge = excluded.gauge, scale_step_g = excluded.scale_step_g`,
    [r.id, r.name, r.boreMm, r.lengthM, r.hoses, r.pumpCfm, r.ultimateMicron, r.gauge, r.scaleStepG],
  )
}
