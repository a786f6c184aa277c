import type { Scope } from '../db/scope'

/**
 * The pumps of the shop that run on an open car: the pump's id to the car's name. Whether one runs is the summary's to
 * say; signed cars are passed over because there are many.
 * @param besides - the job that is not looked at
 */
export async function pumpsRunning({ shopId, query }: Scope, besides?: string): Promise<Map<string, string>> {
  const { rows } = await query<{ pump: string; car: string }>(
    `select summary ->> 'pump' as pump, summary ->> 'name' as car from job
      where shop_id = $1 and signed_at is null and summary ->> 'pump' is not null and ($2::uuid is null or id <> $2)`,
    [shopId, besides ?? null],
  )
  return new Map(rows.map(({ pump, car }) => [pump, car]))
}
