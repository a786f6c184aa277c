import type { Axis, Picture } from '@/core/sums/picture'
import { shareOn } from '@/core/sums/picture'

/** What every picture of a sum is given: what it shows, what it says, how wide it is, and whom it tells of a drag. */
export type Drawn<P = Picture> = {
  picture: P
  label: string
  width: number
  onMove: (field: string, value: number | string) => void
}

/** A light edge, so that words are read over lines. */
export const HALO = { stroke: 'var(--ground)', strokeWidth: 4, paintOrder: 'stroke' as const }

/** Words of a tick need so much room, px. */
const TICK_PX = 54

/** Ticks that stand far enough from the one before to be read. */
export function apart(axis: Axis, px: number): Axis['ticks'] {
  let last = Number.NEGATIVE_INFINITY
  return axis.ticks.filter((t) => {
    const at = shareOn(axis, t.at) * px
    if (at - last < TICK_PX) return false
    last = at
    return true
  })
}

/** How words stand at a tick: inwards at both ends. */
export const anchor = (share: number) => (share < 0.06 ? 'start' : share > 0.94 ? 'end' : 'middle')
