'use client'

import { type RefObject, useEffect, useRef, useState } from 'react'

/** Width of an element in px, followed as it changes; `first` until it is measured. */
export function useWidth<T extends HTMLElement>(first: number): [RefObject<T | null>, number] {
  const ref = useRef<T>(null)
  const [width, setWidth] = useState(first)
  useEffect(() => {
    const element = ref.current
    if (!element) return
    const observer = new ResizeObserver(([entry]) => entry && setWidth(entry.contentRect.width))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  return [ref, width]
}
