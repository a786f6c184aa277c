import type { CarVisit } from '@/core/book/car-visit'
import { DAY_MS } from '@/core/units/constants'
import type { CurvePoint } from '@/core/views'

/** A line over less than this shows one visit and no years, ms. */
const LEAST_MS = 14 * DAY_MS

/** Whether there is something of years to draw. */
export const showsYears = (points: readonly CurvePoint[]): boolean =>
  (points.at(-1)?.at ?? 0) - (points[0]?.at ?? 0) >= LEAST_MS

/** What stood in a car over the years: what it brought, what was charged, g at ms. Steps up, slopes down. */
export const chargePoints = (visits: readonly CarVisit[]): CurvePoint[] =>
  visits
    .flatMap((v): CurvePoint[] => [
      ...(v.recoveredG === null ? [] : [{ at: Date.parse(v.at), value: v.recoveredG }]),
      // it stood at what it brought until it was charged: the line goes straight up there
      ...(v.charged && v.recoveredG !== null ? [{ at: Date.parse(v.charged.at), value: v.recoveredG }] : []),
      ...(v.charged ? [{ at: Date.parse(v.charged.at), value: v.charged.grams }] : []),
    ])
    .sort((a, b) => a.at - b.at)
