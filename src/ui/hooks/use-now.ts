'use client'

import { useEffect, useState } from 'react'
import { type ClockSegment, clockFactor, jobTimeMs } from '@/core/procedure/clock'

/** How far this machine's clock is from the server's, ms; measured once when the page arrives. */
function useOffset(serverNowMs: number): number {
  const [offset, setOffset] = useState<number | null>(null)
  useEffect(() => setOffset((known) => known ?? serverNowMs - Date.now()), [serverNowMs])
  return offset ?? 0
}

function useTick(everyMs: number, serverNowMs: number): number {
  const offset = useOffset(serverNowMs)
  const [now, setNow] = useState(serverNowMs)
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now() + offset), everyMs)
    return () => clearInterval(timer)
  }, [everyMs, offset])
  return now
}

/** The server's wall time, ms, moving on by itself. */
export const useWallNow = (serverNowMs: number): number => useTick(1000, serverNowMs)

/** The job's own time, ms: the wall's for a real car, faster for a simulated one. */
export function useJobNow(clock: readonly ClockSegment[], serverNowMs: number): number {
  const wall = useTick(clockFactor(clock) > 1 ? 250 : 1000, serverNowMs)
  return jobTimeMs(clock, wall)
}
