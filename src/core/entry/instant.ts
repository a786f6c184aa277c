import * as z from 'zod'
import { W } from '../language/entry'

/**
 * First and last year a moment may lie in: no instrument is older, and four digits keep the form the same everywhere.
 */
const YEARS = { first: 1970, last: 2999 } as const

const within = (written: string): boolean => {
  const year = Number(written.slice(0, 4))
  return year >= YEARS.first && year <= YEARS.last
}
const OUTSIDE = { error: W.liesOutsideTheYearsTo(YEARS.first, YEARS.last) }

/**
 * A moment in the one form it is stored, hashed and compared in: UTC with milliseconds, such as
 * `2026-11-25T14:03:00.000Z`.
 */
export const oneForm = (written: string): string =>
  written.length === WRITTEN && written.endsWith('Z') ? written : new Date(written).toISOString()

/** Characters of the one form: nothing else ISO 8601 allows ends in Z and is as long. */
const WRITTEN = '2026-11-25T14:03:00.000Z'.length

/**
 * A moment as somebody sends it (ISO 8601 with offset, with or without parts of a second), brought to one form:
 * the one type for times in every schema. Parts below a millisecond are cut off.
 */
export const Instant = z.iso
  .datetime({ offset: true, error: W.aTimeWithItsOffset, abort: true })
  .refine((t) => within(t) && within(oneForm(t)), OUTSIDE)
  .transform(oneForm)

/** A day of a calendar, such as `2026-11-25`. */
export const Day = z.iso.date({ abort: true }).refine(within, OUTSIDE)
