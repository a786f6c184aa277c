import { assembleRig, PartMissing, type RigParts } from '@/core/equipment/assemble'
import type { Shelved } from '@/core/equipment/equipment'
import type { ProcedureWritten, RigWritten } from '@/core/job/events'
import { procedureRead, rigRead, rigWritten } from '@/core/job/written'
import type { StoredProcedure, StoredRig } from '@/core/views'
import type { Scope } from '../db/scope'
import { selectShelf } from '../equipment/shelf'

export async function selectProcedures(db: Scope): Promise<StoredProcedure[]> {
  const { rows } = await db.query<ProcedureWritten & { id: string; proves: string }>(
    `select id, name, target_micron as "targetMicron", pull_minutes as "pullMinutes",
        hold_minutes as "holdMinutes", proves, stages
       from procedure where shop_id = $1 order by name`,
    [db.shopId],
  )
  return rows.map(({ id, proves, stages, ...procedure }) => ({
    id,
    proves,
    ...procedureRead({ ...procedure, ...(stages && { stages }) }),
  }))
}

export async function upsertProcedure(db: Scope, p: ProcedureWritten & { id: string; proves: string }): Promise<void> {
  await db.query(
    `insert into procedure (id, name, target_micron, pull_minutes, hold_minutes, proves, shop_id, stages) values ($1,
      $2, $3, $4, $5, $6, $7, $8)
     on conflict (id) do update set name = excluded.name, target_micron = excluded.target_micron,
       pull_minutes = excluded.pull_minutes, hold_minutes = excluded.hold_minutes,
         proves = excluded.proves, stages = excluded.stages
       where procedure.shop_id = excluded.shop_id`,
    [
      p.id,
      p.name,
      p.targetMicron,
      p.pullMinutes,
      p.holdMinutes,
      p.proves,
      db.shopId,
      p.stages ? JSON.stringify(p.stages) : null,
    ],
  )
}

type RigRow = RigWritten & { id: string; parts: RigParts | null }

/** The shop's rigs; one put together from the shelf has what its parts are now, and says when a part is missing. */
export async function selectRigs(db: Scope): Promise<StoredRig[]> {
  const { rows } = await db.query<RigRow>(
    `select id, name, bore_mm as "boreMm", length_m as "lengthM", hoses, pump_cfm as "pumpCfm",
            ultimate_micron as "ultimateMicron", gauge, scale_step_g as "scaleStepG", parts
       from rig where shop_id = $1 order by name`,
    [db.shopId],
  )
  const shelf = rows.some((r) => r.parts) ? await selectShelf(db) : []
  return rows.map(({ id, parts, ...written }) => {
    const rig = { id, ...rigRead(written) }
    return parts ? withParts(rig, parts, shelf) : rig
  })
}

function withParts(rig: StoredRig, parts: RigParts, shelf: readonly Shelved[]): StoredRig {
  try {
    return { id: rig.id, ...assembleRig(rig.name, parts, shelf), parts }
  } catch (error) {
    if (error instanceof PartMissing) return { ...rig, parts, missing: error.message }
    throw error
  }
}

/** @param parts - what it is made of, for a rig from the shelf */
export async function upsertRig(db: Scope, { id, ...rig }: StoredRig, parts?: RigParts): Promise<void> {
  const r = rigWritten(rig)
  await db.query(
    `insert into rig (id, name, bore_mm, length_m, hoses, pump_cfm, ultimate_micron, gauge, scale_step_g,
        parts, shop_id)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)
     on conflict (id) do update
       set name = excluded.name, bore_mm = excluded.bore_mm, length_m = excluded.length_m,
       hoses = excluded.hoses,
       pump_cfm = excluded.pump_cfm, ultimate_micron = excluded.ultimate_micron, gauge = excluded.gauge,
         scale_step_g = excluded.scale_step_g,
       parts = excluded.parts where rig.shop_id = excluded.shop_id`,
    [
      id,
      r.name,
      r.boreMm,
      r.lengthM,
      r.hoses,
      r.pumpCfm,
      r.ultimateMicron,
      r.gauge,
      r.scaleStepG,
      parts ? JSON.stringify(parts) : null,
      db.shopId,
    ],
  )
}
