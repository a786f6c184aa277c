import * as z from 'zod'
import { verbatim } from '../entry/text'
import { W } from '../language/day'

const Time = verbatim(5, 5).regex(/^([01]\d|2[0-3]):[0-5]\d$/, W.aTimeOfTheDay)

/**
 * When somebody works: days of the week, 0 for Sunday, and times of the shop's own clock; to the next day where it ends
 * earlier than it begins.
 */
export const Works = z
  .strictObject({
    days: z.array(z.number().int().min(0).max(6)).min(1, W.oneDayOfTheWeek).max(7),
    from: Time,
    to: Time,
  })
  .refine((w) => w.from !== w.to, { path: ['to'], error: W.endsWhenItBegins })
export type Works = z.infer<typeof Works>
