'use client'

import { useEffect } from 'react'

/** Installs what opens pages without a line, where the browser lets it: by TLS, or on the machine itself. */
export function Install() {
  useEffect(() => {
    void navigator.serviceWorker?.register('/sw.js', { updateViaCache: 'none' }).catch(() => undefined)
  }, [])
  return null
}
