'use client'

import { useDraggable } from '@dnd-kit/core'
import { useRouter } from 'next/navigation'
import { STEP_NAMES } from '@/core/job/steps'
import { W } from '@/core/language/screen/day'
import type { Axis } from '../board/time-axis'
import { share } from '../board/time-axis'
import type { Piece } from './lanes-of'
import { TARGET_PX } from './targets'
import { WaitCurve } from './wait-curve'

type Props = {
  piece: Piece
  axis: Axis
  clock: (ms: number) => string
  /** whether its name stands above it; in its tooltip and for readers it always does */
  named: boolean
  /** it is the next of whoever looks */
  accent: boolean
  movable: boolean
  /** it has room for a finger: else only a mouse takes it, and the lane's list leads to it */
  target: boolean
  /** of its lane, px */
  laneWidth: number
}

/** Drawn no narrower, px. */
const LEAST_PX = 6

const STATE_WORDS = { done: W.done, running: W.underWay, planned: W.planned } as const

/** Room a word of small type takes with a little air around it, px (assumed of the shipped font). */
export const wordWidth = (word: string): number => 7.6 * word.length + 8

/** What a piece is, for whoever cannot see where it stands. */
const saidOf = (p: Piece, clock: (ms: number) => string): string =>
  W.to3(p.name, STEP_NAMES[p.step].toLowerCase(), STATE_WORDS[p.state], clock(p.fromMs), clock(p.toMs)) +
  `${p.latestMs > p.toMs + 90_000 ? W.atTheLatest2(clock(p.latestMs)) : ''}${p.pinnedBy ? W.setBy(p.pinnedBy) : ''}`

/** One piece of a lane: hands solid or outlined, a wait as a piece of the strata whose end fades as it is unsure. */
export function PieceBox({ piece, axis, clock, named, accent, movable, target, laneWidth }: Props) {
  const router = useRouter()
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: piece.id,
    data: { piece },
    disabled: !movable,
  })
  const left = share(axis, piece.fromMs) * 100
  const right = share(axis, piece.kind === 'wait' ? piece.latestMs : piece.toMs) * 100
  if (right <= left) return null
  const open = () => piece.jobId && router.push(`/job/${piece.jobId}`)
  const said = saidOf(piece, clock)
  const place = {
    left: `${left}%`,
    width: `max(${LEAST_PX}px, calc(${right - left}% - 2px))`,
    ...(transform && { transform: `translate(${transform.x}px, ${transform.y}px)` }),
  }
  const name = (named || isDragging) && (
    <span
      className={
        `pointer-events-none absolute -top-[19px] left-0 whitespace-nowrap text-note ` +
        // over the line of now, and over the hatching of who is away
        `z-10 bg-ground pr-1 leading-[18px] ${accent || isDragging ? 'font-semibold' : ''} ${isDragging ? 'pl-1' : ''}`
      }
    >
      {piece.name}
    </span>
  )
  const drawnPx = Math.max(LEAST_PX, ((right - left) / 100) * laneWidth - 2)
  const shape =
    piece.kind === 'wait' ? (
      <WaitShape piece={piece} axis={axis} />
    ) : (
      <HandsShape piece={piece} axis={axis} accent={accent} lifted={isDragging} widthPx={drawnPx} />
    )
  const looks = `absolute top-[21px] h-[34px] text-left ${isDragging ? 'z-20' : accent ? 'z-10' : ''}`
  if (!target)
    return (
      // biome-ignore lint/a11y/useKeyWithClickEvents: for a mouse only; keys and fingers reach it by the lane's list
      // biome-ignore lint/a11y/noStaticElementInteractions: the same
      <span
        aria-hidden="true"
        ref={setNodeRef}
        {...(movable && listeners)}
        title={said}
        onClick={open}
        style={place}
        data-piece={`${piece.name} ${piece.step}`}
        className={`${looks} ${movable ? 'cursor-grab touch-none' : ''}`}
      >
        {name}
        {shape}
      </span>
    )
  return (
    <button
      type="button"
      ref={setNodeRef}
      {...(movable && { ...attributes, ...listeners })}
      aria-label={said}
      aria-roledescription={movable ? W.movablePiece : W.piece}
      title={said}
      onClick={open}
      style={{ ...place, minWidth: TARGET_PX }}
      data-piece={`${piece.name} ${piece.step}`}
      className={`${looks} ${movable ? 'cursor-grab touch-none' : ''}`}
    >
      {name}
      <span className="relative block h-full" style={{ width: drawnPx < TARGET_PX ? drawnPx : undefined }}>
        {shape}
      </span>
    </button>
  )
}

function HandsShape({
  piece,
  axis,
  accent,
  lifted,
  widthPx,
}: {
  piece: Piece
  axis: Axis
  accent: boolean
  lifted: boolean
  widthPx: number
}) {
  const solid = piece.state === 'done'
  const word = STEP_NAMES[piece.step].toLowerCase()
  const begun = piece.state === 'running' ? (axis.nowMs - piece.fromMs) / (piece.toMs - piece.fromMs) : 0
  return (
    <span
      className={`block h-full overflow-hidden rounded-[4px] border-[1.5px] px-1 text-note leading-[31px] ${
        solid
          ? 'border-ink bg-ink text-ground'
          : accent
            ? 'border-accent border-[2.5px] bg-accent-soft text-ink'
            : `border-ink bg-sheet text-ink ${lifted ? 'border-[3px]' : ''}`
      }`}
    >
      {begun > 0 && (
        <span
          className="absolute inset-y-0 left-0 rounded-l-[4px] bg-ink"
          style={{ width: `${Math.min(1, begun) * 100}%` }}
        />
      )}
      {begun === 0 && widthPx >= wordWidth(word) ? word : ''}
      {piece.pinnedBy && (
        // a nail: it stands where somebody put it
        <span className="absolute right-1 top-1 h-2 w-2 rotate-45 border-[1.5px] border-ink bg-ground" />
      )}
    </span>
  )
}

function WaitShape({ piece, axis }: { piece: Piece; axis: Axis }) {
  const sure =
    (share(axis, piece.toMs) - share(axis, piece.fromMs)) /
    Math.max(1e-9, share(axis, piece.latestMs) - share(axis, piece.fromMs))
  const from = Math.round(Math.min(1, sure) * 100)
  const fade = `linear-gradient(to right, #000 ${Math.max(0, from - 4)}%,
      ${from < 97 ? `rgb(0 0 0 / 0.12) 100%` : '#000 100%'})`
  return (
    <span className="block h-full overflow-hidden">
      <span className="absolute inset-0 bg-deep" style={{ maskImage: fade, WebkitMaskImage: fade }} />
      <WaitCurve piece={piece} axis={axis} />
      <span className="relative block truncate px-1 text-note leading-[31px]">
        {/* its own ground: the curve runs behind it */}
        <span className="bg-deep pr-0.5">{piece.state === 'done' ? '' : piece.step}</span>
      </span>
    </span>
  )
}
