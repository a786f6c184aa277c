'use client'

import { useEffect, useState } from 'react'
import { type ClockSegment, clockFactor, jobTimeMs } from '@/core/job/clock'
import { keptAtMs } from '../offline/kept'
import { learnServerTime, PAGE_DOUBT_MS, serverNow } from '../server-clock'

function useTick(everyMs: number, serverNowMs: number): number {
  const [now, setNow] = useState(serverNowMs)
  useEffect(() => {
    // a page that was kept on this device told the server's time of then
    learnServerTime(serverNowMs, null, PAGE_DOUBT_MS, keptAtMs() ?? Date.now())
    const timer = setInterval(() => setNow(serverNow()), everyMs)
    return () => clearInterval(timer)
  }, [everyMs, serverNowMs])
  return now
}

/** The server's wall time, ms, moving on by itself. */
export const useWallNow = (serverNowMs: number): number => useTick(1000, serverNowMs)

/** The job's own time, ms: the wall's for a real car, faster for a simulated one. */
export function useJobNow(clock: readonly ClockSegment[], serverNowMs: number): number {
  const wall = useTick(clockFactor(clock) > 1 ? 250 : 1000, serverNowMs)
  return jobTimeMs(clock, wall)
}
