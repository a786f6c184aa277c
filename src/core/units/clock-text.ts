import type { Units } from './shown'

/** A formatter costs a hundred times what using it does: one for each zone. */
const CLOCKS = new Map<string, (ms: number) => string>()

/** Clock time such as 14:20, or 2:20 pm, in the shop's own time zone. */
export function clockIn(timeZone: string, way: Units['clock'] = '24'): (ms: number) => string {
  const known = CLOCKS.get(`${way} ${timeZone}`)
  if (known) return known
  const hours =
    way === '24' ? ({ hour: '2-digit', hourCycle: 'h23' } as const) : ({ hour: 'numeric', hourCycle: 'h12' } as const)
  const made = new Intl.DateTimeFormat('en-GB', { ...hours, minute: '2-digit', timeZone })
  const clock = (ms: number) => made.format(ms)
  CLOCKS.set(`${way} ${timeZone}`, clock)
  return clock
}

/** The date of a job-time moment, such as 25 Nov 2026, 14:20. */
export function dateTimeIn(timeZone: string): (iso: string) => string {
  const made = new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    timeZone,
  })
  return (iso) => made.format(new Date(iso))
}
