import { TZDate } from '@date-fns/tz'
import type { Span } from '@/core/day/shop-day'
import type { Works } from '@/core/day/works'

/** Days ahead a plan looks. */
const AHEAD_DAYS = 4

/** When somebody is not there from now on, by their hours; none where they have none. */
export function offHours(works: Works | null, timeZone: string, nowMs: number): Span[] {
  if (!works) return []
  const today = new TZDate(nowMs, timeZone)
  const at = (day: number, time: string): number => {
    const [hours = 0, minutes = 0] = time.split(':').map(Number)
    return new TZDate(today.getFullYear(), today.getMonth(), today.getDate() + day, hours, minutes, timeZone).getTime()
  }
  const shifts = Array.from({ length: AHEAD_DAYS + 2 }, (_, i) => i - 1)
    .filter((d) => works.days.includes(new TZDate(at(d, '12:00'), timeZone).getDay()))
    .map((d) => ({ from: at(d, works.from), to: at(works.to > works.from ? d : d + 1, works.to) }))
    .filter((s) => s.to > nowMs)
  const gaps: Span[] = []
  let since = nowMs
  for (const { from, to } of shifts) {
    if (from > since) gaps.push({ fromMs: since, toMs: from })
    since = Math.max(since, to)
  }
  return [...gaps, { fromMs: since, toMs: null }]
}
