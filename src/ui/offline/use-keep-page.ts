'use client'

import { useEffect } from 'react'
import { ask, keeper } from './kept'

/** Keeps the page one is on for when there is no line, also on the first visit, before the service worker took over. */
export function useKeepPage(path: string): void {
  useEffect(() => {
    const workers = navigator.serviceWorker
    if (!workers) return
    const keep = () => keeper() && ask({ do: 'keep', path })
    keep()
    workers.addEventListener('controllerchange', keep)
    return () => workers.removeEventListener('controllerchange', keep)
  }, [path])
}
