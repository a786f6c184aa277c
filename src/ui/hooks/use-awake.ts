'use client'

import { useEffect } from 'react'

/** Keeps the screen from going dark while `on`, where the browser can: only by TLS, and only while the page is seen. */
export function useAwake(on: boolean): void {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return
    let lock: WakeLockSentinel | undefined
    let over = false
    const take = () => {
      if (document.visibilityState !== 'visible') return
      navigator.wakeLock.request('screen').then(
        (taken) => {
          if (over) void taken.release()
          else lock = taken
        },
        // a phone that saves its battery may refuse
        () => undefined,
      )
    }
    take()
    document.addEventListener('visibilitychange', take)
    return () => {
      over = true
      document.removeEventListener('visibilitychange', take)
      void lock?.release()
    }
  }, [on])
}
