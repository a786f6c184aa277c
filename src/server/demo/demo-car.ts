import * as z from 'zod'
import { LABEL_REFRIGERANTS, OPENED } from '@/core/job/events'

/** Minutes, relative to the day of loading, at which a car finished taking each step. */
const Steps = z.partialRecord(
  z.enum(['zeroRead', 'zero', 'fix', 'rig', 'pull', 'isolate', 'hold', 'judge', 'charge', 'prove', 'leave', 'sign']),
  z.number().max(0),
)
export const DemoCar = z.strictObject({
  name: z.string(),
  model: z.string(),
  hybrid: z.boolean(),
  refrigerant: z.enum(LABEL_REFRIGERANTS),
  charge: z.string(),
  oil: z.string(),
  oilMl: z.number(),
  evaporators: z.number(),
  complaint: z.string(),
  opened: z.enum(OPENED),
  openHours: z.number(),
  drierReplaced: z.boolean(),
  daysSinceCharge: z.number().nullable(),
  lastChargeG: z.number().nullable(),
  recoveredG: z.number().nullable(),
  restKPa: z.number().optional(),
  boundG: z.number().optional(),
  waterG: z.number().optional(),
  startMin: z.number(),
  steps: Steps,
  leaveItems: z.number().optional(),
})
export type DemoCar = z.infer<typeof DemoCar>
