import * as z from 'zod'
import { localTimeMs } from '../format'

/** A date-and-time entry in the shop's zone, as the instant it means. */
export const moment = (timeZone: string) =>
  z.string().transform((typed, context) => {
    const ms = localTimeMs(typed, timeZone)
    if (Number.isFinite(ms)) return new Date(ms).toISOString()
    context.addIssue({ code: 'custom', message: 'a day and a time' })
    return z.NEVER
  })
