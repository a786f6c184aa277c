'use client'

import { useEffect, useRef } from 'react'

/** Keys that act while nobody types into a field; names in lower case. */
export function useHotkeys(keys: Record<string, () => void>): void {
  const current = useRef(keys)
  current.current = keys
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement
      if (event.ctrlKey || event.metaKey || event.altKey || target.closest('input, textarea, select, [role="dialog"], [role="menu"]')) return
      const act = current.current[event.key.toLowerCase()]
      if (!act) return
      event.preventDefault()
      act()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
}
