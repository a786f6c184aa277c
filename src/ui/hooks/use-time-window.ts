'use client'

import { type PointerEvent, useRef, useState } from 'react'
import { useHotkeys } from './use-hotkeys'

/** What part of a chart's time is shown, and the hands that change it. */
export type TimeWindow = {
  from: number
  to: number
  zoomed: boolean
  zoom: (factor: number) => void
  move: (share: number) => void
  all: () => void
  /** for the element that is touched */
  handlers: {
    onPointerDown: (event: PointerEvent) => void
    onPointerMove: (event: PointerEvent) => void
    onPointerUp: (event: PointerEvent) => void
    onPointerCancel: (event: PointerEvent) => void
  }
}

const STEP = 1.6
const SHORTEST_MS = 60_000

/**
 * Zoom and pan over a span of time: two fingers or plus and minus, a drag or the arrows, Home for all of it.
 * While nothing is zoomed the window follows the span.
 * @param plotPx - width the span is drawn over, so that a drag follows the finger
 */
export function useTimeWindow(fullFrom: number, fullTo: number, plotPx: number): TimeWindow {
  const [own, setOwn] = useState<{ from: number; to: number } | null>(null)
  const fingers = useRef(new Map<number, number>())
  const from = own ? Math.max(fullFrom, own.from) : fullFrom
  const to = own ? Math.min(fullTo, own.to) : fullTo
  const set = (a: number, b: number) => {
    const span = Math.max(SHORTEST_MS, Math.min(fullTo - fullFrom, b - a))
    const start = Math.max(fullFrom, Math.min(fullTo - span, a))
    setOwn(span >= (fullTo - fullFrom) * 0.999 ? null : { from: start, to: start + span })
  }
  const zoom = (factor: number) => {
    const middle = (from + to) / 2
    const half = (to - from) / 2 / factor
    set(middle - half, middle + half)
  }
  const move = (share: number) => set(from + share * (to - from), to + share * (to - from))
  useHotkeys({
    '+': () => zoom(STEP),
    '=': () => zoom(STEP),
    '-': () => zoom(1 / STEP),
    ...(own && { arrowleft: () => move(-0.2), arrowright: () => move(0.2), home: () => setOwn(null) }),
  })
  const onPointerDown = (event: PointerEvent) => {
    fingers.current.set(event.pointerId, event.clientX)
    if (fingers.current.size === 2) (event.currentTarget as Element).setPointerCapture(event.pointerId)
  }
  const onPointerMove = (event: PointerEvent) => {
    const before = fingers.current.get(event.pointerId)
    if (before === undefined) return
    const others = [...fingers.current].filter(([id]) => id !== event.pointerId)
    fingers.current.set(event.pointerId, event.clientX)
    const other = others[0]?.[1]
    if (other !== undefined) {
      const [was, is] = [Math.abs(before - other), Math.abs(event.clientX - other)]
      if (was > 10 && is > 10) zoom(is / was)
    } else if (own) move(-(event.clientX - before) / Math.max(1, plotPx))
  }
  const release = (event: PointerEvent) => void fingers.current.delete(event.pointerId)
  return {
    from,
    to,
    zoomed: own !== null,
    zoom,
    move,
    all: () => setOwn(null),
    handlers: { onPointerDown, onPointerMove, onPointerUp: release, onPointerCancel: release },
  }
}
