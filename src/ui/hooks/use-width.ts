'use client'

import { type RefCallback, useCallback, useState } from 'react'

/** Width of an element in px, followed as it changes; `first` until it is measured. */
export function useWidth<T extends HTMLElement>(first: number): [RefCallback<T>, number] {
  const [width, setWidth] = useState(first)
  // a callback, not an effect: what is measured may appear long after the component that measures it
  const ref = useCallback((element: T | null) => {
    if (!element) return
    const observer = new ResizeObserver(([entry]) => entry && setWidth(entry.contentRect.width))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  return [ref, width]
}
