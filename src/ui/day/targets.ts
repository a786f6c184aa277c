import { type Axis, share } from '../board/time-axis'
import type { Piece } from './lanes-of'

/** A finger hits nothing narrower, px. */
export const TARGET_PX = 24

/**
 * Pieces of a lane that can be hit by themselves: those with room for a finger before the next one begins. The others
 * are drawn, and reached by the lane's own list.
 * @param width - of the lane, px
 */
export function targetsOf(pieces: readonly Piece[], axis: Axis, width: number): Set<string> {
  const left = (piece: Piece) => share(axis, piece.fromMs) * width
  const sorted = [...pieces].sort((a, b) => a.fromMs - b.fromMs)
  const room = (piece: Piece, i: number) => {
    const next = sorted.slice(i + 1).find((later) => left(later) > left(piece))
    return Math.min(next ? left(next) : width, width) - left(piece)
  }
  const alone = (piece: Piece) => !sorted.some((other) => other !== piece && left(other) === left(piece))
  return new Set(sorted.filter((piece, i) => room(piece, i) >= TARGET_PX && alone(piece)).map((piece) => piece.id))
}
