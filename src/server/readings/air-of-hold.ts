import { type AirOverTime, airOverTime } from '@/core/units/air-over-time'
import type { Scope } from '../db/scope'
import { selectHistory } from './history'
import { selectSpan, within } from './span'

/** Barometer readings of one hold at most: an instrument's are thinned. */
const MOST = 400
/** A barometer read this long before the isolation is the one of its beginning, ms. */
const BEFORE_MS = 20 * 60_000
/** Readings that cover so much of the hold take the weather out; fewer leave it in. */
const COVERS = 0.5

/**
 * The air of a hold over its time, job time in ms: what was read of the barometer while it held, else the place's one
 * figure. `read` where it was read at both ends.
 */
export async function airOfHold(
  db: Scope,
  jobId: string,
  { fromMs, toMs }: { fromMs: number; toMs: number },
  placePa: number,
): Promise<AirOverTime> {
  const span = within(await selectSpan(db, jobId), new Date(fromMs - BEFORE_MS), new Date(toMs))
  const rows = (await selectHistory(db, span, 'barometer', MOST)).map((p) => ({ at: p.at, pa: p.value }))
  const air = airOverTime(rows, placePa)
  const covered =
    rows.length > 1
      ? (rows[rows.length - 1] as { at: number }).at - Math.max(fromMs, (rows[0] as { at: number }).at)
      : 0
  return { at: air.at, read: air.read && covered >= COVERS * (toMs - fromMs) }
}
