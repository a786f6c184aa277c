import type { Role } from '../shop/people'
import { MINUTE_MS } from '../units/constants'
import type { BoardRow, Ringing } from '../views'
import { hurries } from './hurries'

/**
 * Whether an alarm rings at somebody: whoever has the car; everybody where nobody has it; the lead too once nobody
 * answered for so long.
 * @param leadAfterMin - minutes it rings unanswered before it is the lead's as well
 */
export function ringsFor(
  { whose, sinceMs }: Pick<Ringing, 'whose' | 'sinceMs'>,
  user: { id: string; role: Role },
  leadAfterMin: number,
  wallMs: number,
): boolean {
  if (whose.id === null || whose.id === user.id) return true
  return user.role === 'lead' && wallMs - sinceMs >= leadAfterMin * MINUTE_MS
}

/**
 * Alarms in the order they are heard: what hurries first, then those of the car one stands at, then what rang last.
 * @param hereId - the car whose page is open
 */
export const inOrder = <T extends Pick<Ringing, 'id' | 'sinceMs' | 'jobId'>>(
  ringing: readonly T[],
  hereId?: string,
): T[] => {
  const rank = (ring: T) => Number(hurries(ring.id)) * 2 + Number(ring.jobId === hereId)
  return [...ringing].sort((a, b) => rank(b) - rank(a) || b.sinceMs - a.sinceMs)
}

/** What rings on the cars of a board. */
export const ringingOn = (rows: readonly BoardRow[]): Ringing[] =>
  rows.flatMap(({ id, summary, ringing, whose, clock }) =>
    ringing.map((ring) => ({ ...ring, jobId: id, car: summary.name, whose, clock })),
  )
