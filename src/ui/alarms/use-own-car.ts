'use client'

import { useEffect, useMemo, useState } from 'react'
import { type Alarm, alarmsOf, unanswered } from '@/core/call/alarms'
import type { Live } from '@/core/call/types'
import type { ClockSegment } from '@/core/job/clock'
import { clockFactor } from '@/core/job/clock'
import type { JobState } from '@/core/job/state'
import type { Ring } from '@/core/views'
import { serverNow } from '../server-clock'
import { useAlarms } from './alarms'

/**
 * Alarms of the car whose page is open: as its own readings say here, at once, in the reader's units and without a
 * line; and what only the server's watch knows of it.
 * @param told - what the watch says rings on it
 */
export function useOwnCar(
  jobId: string,
  state: JobState,
  live: Live,
  clock: readonly ClockSegment[],
  told: readonly Ring[],
): void {
  const { showOwn } = useAlarms()
  const here = alarmsOf(state, live, clockFactor(clock))
  const known = new Set(here.map((a) => a.id))
  // what only the watch knows: the end of a pull that was told anew
  const beside = unanswered(
    state,
    told.filter((r) => r.id.startsWith('moved:') && !known.has(r.id)),
    live.nowMs,
  )
  const alarms: Alarm[] = [...here, ...beside]
  const words = JSON.stringify(alarms.map((a) => [a.id, a.sentence]))
  const [since] = useState(() => new Map<string, number>())
  const car = state.opened.car.name
  const { name, account } = state.whose
  // biome-ignore lint/correctness/useExhaustiveDependencies: the alarms by their words, not by the second
  const ringing = useMemo(
    () =>
      alarms.map(({ id, sentence }) => {
        since.set(id, since.get(id) ?? told.find((r) => r.id === id)?.sinceMs ?? serverNow())
        const whose = { id: account ?? null, name }
        return { id, sentence, sinceMs: since.get(id) as number, jobId, car, whose, clock: [...clock] }
      }),
    [words, jobId, car, clock, name, account],
  )
  useEffect(() => {
    showOwn({ jobId, ringing })
    return () => showOwn(null)
  }, [showOwn, jobId, ringing])
}
