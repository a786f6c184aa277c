'use client'

import { useEffect, useRef, useState } from 'react'
import { keeper, keptAtMs } from './kept'
import { keepSeen, lastSeen } from './seen-store'

/** What is live is kept this long after it changed, ms. */
const KEEP_MS = 2000

/**
 * From when what a page shows is, where it was kept on this device: its wall time, ms; null for one the server sent.
 */
export type SeenAt = { ready: boolean; fromMs: number | null }

/**
 * Keeps what a page shows live, and gives it back where the page is opened without a line: the page itself was kept
 * when it was opened last, and much happened on it since.
 * @param key - what it is, such as `job …`
 * @param now - as it stands now
 * @param take - what was last seen, newer than what the page came with
 * @returns whether it may be joined to the live stream by now
 */
export function useSeen<T>(key: string, now: T, take: (seen: T) => void): SeenAt {
  const [at, setAt] = useState<SeenAt>({ ready: false, fromMs: null })
  const taken = useRef(take)
  taken.current = take
  useEffect(() => {
    const keptMs = keptAtMs()
    if (keptMs === null) {
      setAt({ ready: true, fromMs: null })
      return
    }
    let gone = false
    void lastSeen<T>(key).then((seen) => {
      if (gone) return
      const newer = seen && seen.atMs > keptMs ? seen : null
      if (newer) taken.current(newer.value)
      setAt({ ready: true, fromMs: newer?.atMs ?? keptMs })
    })
    return () => {
      gone = true
    }
  }, [key])
  const latest = useRef(now)
  latest.current = now
  useEffect(() => {
    // what was given back from here is not kept anew as if it had been seen now
    if (!at.ready || keptAtMs() !== null || !keeper()) return
    const wait = setTimeout(() => void keepSeen(key, now), KEEP_MS)
    return () => clearTimeout(wait)
  }, [key, now, at.ready])
  useEffect(() => {
    const left = () => {
      if (document.visibilityState === 'hidden' && keptAtMs() === null && keeper()) void keepSeen(key, latest.current)
    }
    document.addEventListener('visibilitychange', left)
    return () => document.removeEventListener('visibilitychange', left)
  }, [key])
  return at
}
