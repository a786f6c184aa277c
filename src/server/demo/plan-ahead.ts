import { randomUUID } from 'node:crypto'
import * as z from 'zod'
import { MINUTE_MS } from '@/core/units/constants'
import { selectAccounts } from '../accounts/accounts'
import { insertOff, setPromise, upsertExpected } from '../day/day-rows'
import type { Scope } from '../db/scope'

const Ahead = z.number().min(0)

/** What a demo's day is planned from, minutes after it is loaded. */
export const DemoDay = z.strictObject({
  promises: z.record(z.string(), Ahead),
  away: z.array(z.strictObject({ who: z.string(), fromMin: Ahead, toMin: Ahead })),
  expected: z.array(
    z.strictObject({
      name: z.string(),
      model: z.string(),
      arrivesMin: Ahead,
      promisedMin: Ahead.nullable(),
      fixMin: Ahead,
    }),
  ),
})

/** Puts promises, absences and cars to come into a demo place. */
export async function planAhead(db: Scope, day: z.infer<typeof DemoDay>, now: Date): Promise<void> {
  const at = (minutes: number) => now.getTime() + minutes * MINUTE_MS
  const { rows: jobs } = await db.query<{ id: string; name: string }>(
    `select id, summary ->> 'name' as name from job where shop_id = $1`,
    [db.shopId],
  )
  for (const [name, minutes] of Object.entries(day.promises)) {
    const job = jobs.find((j) => j.name === name)
    if (!job) throw new RangeError(`${name} is promised, and not in this place`)
    await setPromise(db, job.id, at(minutes))
  }
  const accounts = await selectAccounts(db)
  const by = accounts.find((a) => a.role === 'lead')?.name ?? ''
  for (const { who, fromMin, toMin } of day.away) {
    const account = accounts.find((a) => a.name === who)
    if (!account) throw new RangeError(`${who} is away, and not in this place`)
    await insertOff(
      db,
      { id: randomUUID(), accountId: account.id, thing: null, fromMs: at(fromMin), toMs: at(toMin) },
      by,
    )
  }
  for (const { arrivesMin, promisedMin, ...car } of day.expected)
    await upsertExpected(db, {
      id: randomUUID(),
      ...car,
      arrivesMs: at(arrivesMin),
      promisedMs: promisedMin === null ? null : at(promisedMin),
      by,
    })
}
