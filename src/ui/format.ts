import { TZDate } from '@date-fns/tz'
import { format } from 'date-fns'
import { W } from '@/core/language/screen/format'
import { CUBIC_METRES_S_PER_CFM, METRES_PER_MM, PA_PER_MICRON, PA_PER_PSI } from '@/core/units/constants'

/** The day of a moment in a time zone, such as 2026-11-25. */
export const dayIn =
  (timeZone: string) =>
  (ms: number): string =>
    format(new TZDate(ms, timeZone), 'yyyy-MM-dd')

/** Micron with thousands marked, from Pa. */
export const micronText = (pa: number): string => Math.round(pa / PA_PER_MICRON).toLocaleString('en')

/** Three figures of Pa or kPa, from Pa. */
export function paText(pa: number): string {
  if (pa >= 10_000) return W.kpa((pa / 1000).toFixed(1))
  return W.pa(pa >= 100 ? Math.round(pa) : pa.toPrecision(3))
}

/** A gauge pressure in kPa and psig, from Pa above the air. */
export const gaugeText = (paG: number): string =>
  W.kpaPsig(Math.round(paG / 1000), Math.round(paG / PA_PER_PSI)).replaceAll('-', '−')

/** A number with a true minus. */
export function signed(value: number, digits: number): string {
  const text = Math.abs(value).toLocaleString('en', { minimumFractionDigits: digits, maximumFractionDigits: digits })
  if (Number(text) === 0) return '0'
  return `${value > 0 ? '+' : '−'}${text}`
}

/** The day a car was charged, such as 25 Nov 2026; the day it was taken in while nothing was charged. */
export function chargedDay(
  state: { containers: readonly { endedAt?: string }[]; openedAt: string },
  timeZone: string,
): string {
  const ended = state.containers.flatMap((c) => (c.endedAt ? [c.endedAt] : [])).sort()
  return new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone }).format(
    new Date(ended[ended.length - 1] ?? state.openedAt),
  )
}

const threeDigits = (x: number): string => String(Number(x.toPrecision(3)))
/** A pump's speed as its plate has it. */
export const cfmText = (m3S: number): string => threeDigits(m3S / CUBIC_METRES_S_PER_CFM)
/** A bore as hoses are sold. */
export const mmText = (m: number): string => threeDigits(m / METRES_PER_MM)

/** A moment as a date-and-time entry has it, in a zone: 2026-11-25T14:20. */
export const localTimeIn =
  (timeZone: string) =>
  (ms: number): string =>
    format(new TZDate(ms, timeZone), "yyyy-MM-dd'T'HH:mm")

/** The moment such an entry means in that zone, ms; NaN where it is none. */
export function localTimeMs(text: string, timeZone: string): number {
  const parts = /^(\d{4})-(\d\d)-(\d\d)T(\d\d):(\d\d)/.exec(text)?.slice(1).map(Number)
  if (!parts) return Number.NaN
  const [year, month, day, hour, minute] = parts as [number, number, number, number, number]
  return new TZDate(year, month - 1, day, hour, minute, timeZone).getTime()
}
