import { type RigBusy, rigBusy } from '@/core/day/rig-busy'
import type { RigWritten } from '@/core/job/events'
import { rigWritten } from '@/core/job/written'
import { selectPlan } from '../day/plan-rows'
import type { Scope } from '../db/scope'
import { selectRigs } from './catalogue'

/** A rig one may take now. */
export type RigToTake = { id: string; rig: RigWritten; busy: RigBusy | null }

/** The shop's whole rigs, and what each is on or planned for. @param besides - the car that asks */
export async function rigChoices(db: Scope, nowMs: number, besides?: string): Promise<RigToTake[]> {
  const [rigs, kept] = [await selectRigs(db), await selectPlan(db)]
  return rigs.flatMap(({ id, parts: _p, missing, ...rig }) =>
    missing === undefined
      ? [{ id, rig: rigWritten(rig), busy: kept ? rigBusy(kept.plan, rig.name, nowMs, besides) : null }]
      : [],
  )
}
