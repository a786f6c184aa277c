import * as z from 'zod'
import { W } from '@/core/language/screen/day'
import { localTimeMs } from '../format'

/** A date-and-time entry in the shop's zone, as the instant it means. */
export const moment = (timeZone: string) =>
  z.string().transform((typed, context) => {
    const ms = localTimeMs(typed, timeZone)
    if (Number.isFinite(ms)) return new Date(ms).toISOString()
    context.addIssue({ code: 'custom', message: W.aDayAndATime })
    return z.NEVER
  })
