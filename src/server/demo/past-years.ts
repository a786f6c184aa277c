import { randomUUID } from 'node:crypto'
import * as z from 'zod'
import { FORMER_VERDICTS } from '@/core/book/former'
import { REFRIGERANTS } from '@/core/fluids/refrigerants'
import { DAY_MS } from '@/core/units/constants'
import type { Account } from '../accounts/accounts'
import { importFormer, LINES_AT_ONCE } from '../book/import-former'
import { inTransaction, type Scope } from '../db/scope'

/** A car's former years: the shop kept a table before it kept this. */
export const DemoPast = z.strictObject({
  name: z.string(),
  model: z.string(),
  refrigerant: z.enum(REFRIGERANTS),
  plate: z.string(),
  visits: z.array(
    z.strictObject({
      daysAgo: z.number(),
      recoveredG: z.number().nullable(),
      chargedG: z.number(),
      verdict: z.enum(FORMER_VERDICTS),
      note: z.string(),
    }),
  ),
})
export type DemoPast = z.infer<typeof DemoPast>

/** Brings the former years in as a file would be, so that they are taken out the same way. */
export async function pastYears(scope: Scope, by: Account, cars: readonly DemoPast[], now: Date): Promise<void> {
  const lines = cars.flatMap(({ name, plate, refrigerant, visits }) =>
    visits.map(({ daysAgo, ...v }) => ({
      id: randomUUID(),
      car: name,
      plate,
      refrigerant,
      day: new Date(now.getTime() - daysAgo * DAY_MS).toISOString().slice(0, 10),
      ...v,
    })),
  )
  if (lines.length > LINES_AT_ONCE) throw new Error('the demo’s former years are one part of a file')
  if (lines.length > 0)
    await importFormer(
      { ...scope, user: by },
      { id: randomUUID(), fileName: 'motor-pool-until-2026.csv', of: lines.length, lines },
    )
  await inTransaction(scope, async (tx) => {
    for (const { name, model } of cars)
      await tx.query(`update car set model = $3 where shop_id = $1 and name = $2 and model = ''`, [
        tx.shopId,
        name,
        model,
      ])
  })
}
