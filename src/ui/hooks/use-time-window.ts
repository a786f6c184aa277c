'use client'

import { useGesture } from '@use-gesture/react'
import { useState } from 'react'
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
  handlers: ReturnType<ReturnType<typeof useGesture>>
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
  // a press that ends outside the chart ends there: the pointer is captured while it is down
  const bind = useGesture({
    onDrag: ({ delta: [dx], pinching }) => {
      if (own && !pinching) move(-dx / Math.max(1, plotPx))
    },
    onPinch: ({ movement: [scale], memo, first }) => {
      const before = first || typeof memo !== 'number' ? 1 : memo
      if (scale > 0 && scale !== before) zoom(scale / before)
      return scale
    },
  })
  return {
    from,
    to,
    zoomed: own !== null,
    zoom,
    move,
    all: () => setOwn(null),
    handlers: bind(),
  }
}
