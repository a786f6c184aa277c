'use client'

import { useDrag } from '@use-gesture/react'
import type { RefObject } from 'react'
import { type Axis, type Handle, shareOn, valueOn } from '@/core/sums/picture'

/** Share of an axis an arrow key moves by; with the page keys ten times that. */
const STEP = 0.005

type Props = {
  handle: Handle
  axis: Axis
  /** where the axis runs in the drawing, px */
  from: number
  to: number
  /** the other coordinate, px */
  across: number
  upright: boolean
  svg: RefObject<SVGSVGElement | null>
  onMove: (field: string, value: number | string) => void
}

/** What a figure is dragged by: with a finger, a mouse or the arrow keys. */
export function Grip({ handle, axis, from, to, across, upright, svg, onMove }: Props) {
  const at = from + shareOn(axis, handle.at) * (to - from)
  const move = (share: number) => {
    const value = valueOn(axis, share)
    onMove(handle.field, handle.text?.(value) ?? handle.entry?.(value) ?? value)
  }
  const drag = useDrag(
    ({ xy: [x, y], event }) => {
      event.preventDefault()
      const box = svg.current?.getBoundingClientRect()
      if (box) move(((upright ? y - box.top : x - box.left) - from) / (to - from))
    },
    // keys move by a share of the axis, below, and not by pixels
    { pointer: { keys: false } },
  )
  const key = (e: React.KeyboardEvent) => {
    const way = {
      ArrowRight: 1,
      ArrowUp: upright ? -1 : 1,
      ArrowLeft: -1,
      ArrowDown: upright ? 1 : -1,
      PageUp: 10,
      PageDown: -10,
    }[e.key]
    if (way === undefined) return
    e.preventDefault()
    move(shareOn(axis, handle.at) + way * STEP)
  }
  const [x, y] = upright ? [across, at] : [at, across]
  return (
    <g
      {...drag()}
      role="slider"
      tabIndex={0}
      aria-label={handle.name}
      aria-orientation={upright ? 'vertical' : 'horizontal'}
      aria-valuemin={Math.min(axis.from, axis.to)}
      aria-valuemax={Math.max(axis.from, axis.to)}
      aria-valuenow={Number(handle.at.toPrecision(4))}
      onKeyDown={key}
      style={{ touchAction: 'none', cursor: upright ? 'ns-resize' : 'ew-resize' }}
    >
      <circle cx={x} cy={y} r="24" fill="transparent" />
      <circle cx={x} cy={y} r="10" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="4.5" />
      <path
        d={
          upright
            ? `M${x - 4} ${y - 16}l4-6 4 6ZM${x - 4} ${y + 16}l4 6 4-6Z`
            : `M${x - 16} ${y - 4}l-6 4 6 4ZM${x + 16} ${y - 4}l6 4-6 4Z`
        }
        fill="var(--ink)"
      />
    </g>
  )
}
