import * as z from 'zod'
import { text, verbatim } from '../entry/text'
import { W } from '../language/readings/line-map'
import { CHANNELS, type Channel, READING_UNITS, type ReadingUnit } from '../units/channel'

const pattern = verbatim(400, 1).refine(
  (source) => {
    try {
      new RegExp(source)
      return true
    } catch {
      return false
    }
  },
  { error: W.isNoRegularExpression },
)

/**
 * How the lines a device prints become readings: a pattern, which of its groups is the number, and what that number
 * is.
 */
export const LineMap = z.strictObject({
  instrument: text(80),
  readings: z
    .array(
      z.strictObject({
        pattern,
        group: z.number().int().min(1).max(20).default(1),
        channel: z.enum(CHANNELS),
        unit: z.enum(READING_UNITS),
        /** the number as printed times this is in `unit` */
        scale: z
          .number()
          .refine((s) => s !== 0, W.mustNotBeNothing)
          .default(1),
      }),
    )
    .min(1)
    .max(10),
})
export type LineMap = z.infer<typeof LineMap>
export type LineReading = { channel: Channel; value: number; unit: ReadingUnit }

/** The readings of one line, or why there is none in it. */
export function readLine(map: LineMap, line: string): { readings: LineReading[] } | { why: string } {
  const whys: string[] = []
  const readings = map.readings.flatMap(({ pattern: source, group, channel, unit, scale }) => {
    const match = new RegExp(source).exec(line)
    const text = match?.[group]
    // a comma before the last digits is a decimal's, as in 12,5
    const value = text === undefined ? Number.NaN : Number(text.trim().replace(/,(?=\d+$)/, '.'))
    if (!match) whys.push(W.doesNotMatch(source))
    else if (text === undefined) whys.push(W.matchesButHasNoGroup(source, group))
    else if (text.trim() === '' || !Number.isFinite(value)) whys.push(W.groupOfIsNoNumber(group, source, text))
    else return [{ channel, unit, value: value * scale }]
    return []
  })
  return readings.length > 0 ? { readings } : { why: whys.join('; ') }
}
