import * as z from 'zod'
import { Instant } from '@/core/entry/instant'
import { verbatim } from '@/core/entry/text'
import { CHANNELS, READING_UNITS } from '@/core/units/channel'

/** One reading as an instrument sends it, a line of NDJSON. */
export const Line = z.strictObject({
  instrument: verbatim(80),
  seq: z.number().int().min(0).max(Number.MAX_SAFE_INTEGER),
  at: Instant,
  channel: z.enum(CHANNELS),
  value: z.number().finite(),
  unit: z.enum(READING_UNITS),
  note: verbatim(200, 0).optional(),
  /** what is left in its battery, 0 to 1 */
  battery: z.number().min(0).max(1).optional(),
})
export type Line = z.infer<typeof Line>
