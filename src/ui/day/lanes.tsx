'use client'

import {
  DndContext,
  type DragEndEvent,
  type DragMoveEvent,
  KeyboardCode,
  type KeyboardCoordinateGetter,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import type { Pin } from '@/core/day/shop-day'
import { W } from '@/core/language/screen/day'
import { type Axis, share, TimeAxis } from '../board/time-axis'
import { useWidth } from '../hooks/use-width'
import type { Lane, Piece } from './lanes-of'
import { PieceBox, wordWidth } from './piece'
import { targetsOf } from './targets'

export const LANE_PX = 60
/** Width of the lanes until it is measured, px. */
const USUAL_PX = 1070
/** A piece is put on whole five minutes, ms. */
const SNAP_MS = 5 * 60_000

type Props = {
  lanes: readonly Lane[]
  axis: Axis
  clock: (ms: number) => string
  /** the piece that is next for whoever looks */
  nextId: string | null
  movable: boolean
  by: string
  onLift: (piece: Piece) => void
  onMove: (pin: Pin | null, piece: Piece) => void
  onDrop: (pin: Pin | null, piece: Piece) => void
  onLane: (lane: Lane) => void
}

/**
 * Which pieces may be taken to another time or other hands: what is planned for hands, and the rig a planned pull
 * hangs on.
 */
export const isMovable = (piece: Piece, lane: Lane): boolean =>
  piece.state === 'planned' &&
  ((lane.kind === 'person' && piece.kind === 'hands') || (lane.kind === 'rig' && piece.step === 'pull'))

/**
 * Lanes of people and things on one axis; a planned piece is taken to another time, rig or person by hand or by keys.
 */
export function Lanes({ lanes, axis, clock, nextId, movable, by, onLift, onMove, onDrop, onLane }: Props) {
  const [track, width] = useWidth<HTMLDivElement>(USUAL_PX)
  const msPerPx = () => (axis.toMs - axis.fromMs) / Math.max(1, width)
  const step: KeyboardCoordinateGetter = (event, { currentCoordinates: at }) => {
    const px = SNAP_MS / msPerPx()
    switch (event.code) {
      case KeyboardCode.Right:
        return { ...at, x: at.x + px }
      case KeyboardCode.Left:
        return { ...at, x: at.x - px }
      case KeyboardCode.Down:
        return { ...at, y: at.y + LANE_PX }
      case KeyboardCode.Up:
        return { ...at, y: at.y - LANE_PX }
      default:
        return undefined
    }
  }
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 220, tolerance: 8 } }),
    // Enter opens the car, as on every other piece; space takes it up and puts it down
    useSensor(KeyboardSensor, {
      coordinateGetter: step,
      keyboardCodes: {
        start: [KeyboardCode.Space],
        cancel: [KeyboardCode.Esc],
        end: [KeyboardCode.Space, KeyboardCode.Enter],
      },
    }),
  )
  const laneOf = (piece: Piece) => lanes.findIndex((l) => l.pieces.some((p) => p.id === piece.id))
  const pinOf = ({ active, delta }: Pick<DragMoveEvent, 'active' | 'delta'>): { pin: Pin | null; piece: Piece } => {
    const piece = active.data.current?.piece as Piece
    const from = laneOf(piece)
    const lane = lanes[Math.max(0, Math.min(lanes.length - 1, from + Math.round(delta.y / LANE_PX)))]
    const here = lanes[from]
    if (!lane || !here || lane.kind !== here.kind) return { pin: null, piece }
    const atMs = Math.max(axis.nowMs, Math.round((piece.fromMs + delta.x * msPerPx()) / SNAP_MS) * SNAP_MS)
    return { pin: pinTo(piece, here, lane, atMs, lanes, by), piece }
  }
  return (
    <DndContext
      // its live messages are ours: the price is said where it stands
      accessibility={{
        screenReaderInstructions: {
          draggable: W.spaceTakesItUpArrows,
        },
      }}
      id="day"
      sensors={sensors}
      onDragStart={({ active }) => onLift(active.data.current?.piece as Piece)}
      onDragMove={(event) => {
        const { pin, piece } = pinOf(event)
        onMove(pin, piece)
      }}
      onDragEnd={(event: DragEndEvent) => {
        const { pin, piece } = pinOf(event)
        onDrop(pin, piece)
      }}
      onDragCancel={({ active }) => onDrop(null, active.data.current?.piece as Piece)}
    >
      <div className="grid grid-cols-[132px_1fr]">
        <span />
        <div ref={track}>
          <TimeAxis axis={axis} clock={clock} />
        </div>
      </div>
      <ul className="border-t-2 border-ink" aria-label={W.lanesOfPeopleAndThings}>
        {lanes.map((lane) => (
          <LaneLine
            key={lane.id}
            lane={lane}
            axis={axis}
            clock={clock}
            nextId={nextId}
            movable={movable}
            width={width}
            onLane={onLane}
          />
        ))}
      </ul>
    </DndContext>
  )
}

/**
 * Where a piece is put by hand: a piece of hands at a time and a person, a pull at the rig its car is rigged up with.
 */
function pinTo(piece: Piece, here: Lane, lane: Lane, atMs: number, lanes: readonly Lane[], by: string): Pin | null {
  if (here.kind === 'person') {
    const person = lane.id.slice('person '.length)
    if (person === piece.person && atMs === piece.fromMs) return null
    // another time or person asks for no rig of its own: whichever is free then
    return { car: piece.car, step: piece.step, person, rig: null, fromMs: atMs, by }
  }
  // the pull itself is not moved: its car is rigged up with another rig
  const rigged = lanes
    .flatMap((l) => l.pieces)
    .find((p) => p.car === piece.car && p.step === 'rig' && p.state === 'planned')
  if (!rigged || lane.id === here.id) return null
  return {
    car: piece.car,
    step: 'rig',
    person: rigged.person,
    rig: lane.id.slice('rig '.length),
    fromMs: rigged.fromMs,
    by,
  }
}

function LaneLine({
  lane,
  axis,
  clock,
  nextId,
  movable,
  width,
  onLane,
}: Pick<Props, 'axis' | 'clock' | 'nextId' | 'movable' | 'onLane'> & { lane: Lane; width: number }) {
  const names = namesShown(lane.pieces, axis, width)
  const targets = targetsOf(lane.pieces, axis, width)
  const away = lane.off.find((o) => o.fromMs <= axis.nowMs && (o.toMs === null || o.toMs > axis.nowMs))
  return (
    <li
      className="grid grid-cols-[132px_1fr] border-b border-rule"
      style={{ height: LANE_PX }}
      aria-label={lane.name || W.moreCarsShutIn}
    >
      {lane.kind === 'holding' ? (
        <span className="min-w-0 self-center">
          <b className="block truncate text-lead font-semibold leading-tight">{lane.name}</b>
          <span className="block truncate text-note text-ink-2">{lane.note}</span>
        </span>
      ) : (
        <button type="button" className="min-w-0 text-left hover:bg-sheet" onClick={() => onLane(lane)}>
          <b className="block truncate text-lead font-semibold leading-tight">{lane.name}</b>
          <span className="block truncate text-note text-ink-2">
            {away ? W.away2(away.toMs === null ? '' : W.until(clock(away.toMs))) : lane.note}
          </span>
        </button>
      )}
      <span className="relative block">
        {lane.off.map((o) => (
          <OffSpan key={o.fromMs} from={share(axis, o.fromMs)} to={o.toMs === null ? 1 : share(axis, o.toMs)} />
        ))}
        {lane.pieces.map((piece) => (
          <PieceBox
            key={piece.id}
            piece={piece}
            axis={axis}
            clock={clock}
            named={names.has(piece.id)}
            accent={piece.id === nextId}
            movable={movable && isMovable(piece, lane)}
            target={targets.has(piece.id)}
            laneWidth={width}
          />
        ))}
        <span
          className="pointer-events-none absolute top-0 h-full border-l-2 border-ink"
          style={{ left: `${share(axis, axis.nowMs) * 100}%` }}
        />
      </span>
    </li>
  )
}

/** Somebody is not there, something is out of use: hatched, as everything nobody can use is. */
function OffSpan({ from, to }: { from: number; to: number }) {
  if (to <= from) return null
  return (
    <span
      className="absolute inset-y-1 bg-needle"
      style={{
        left: `${from * 100}%`,
        width: `${(to - from) * 100}%`,
        backgroundImage: W.repeatingLinearGradient135degVar,
      }}
    />
  )
}

/**
 * Pieces whose name has room above them before the next name; a car's pieces that follow one another are named once.
 */
function namesShown(pieces: readonly Piece[], axis: Axis, width: number): Set<string> {
  const shown = new Set<string>()
  let [until, last, lastEnd] = [-1, '', -1]
  for (const piece of [...pieces].sort((a, b) => a.fromMs - b.fromMs)) {
    const at = share(axis, piece.fromMs)
    const again = piece.car === last && at - lastEnd < 0.02
    lastEnd = share(axis, piece.toMs)
    if (!again && at >= until && at < 0.97) {
      shown.add(piece.id)
      until = at + wordWidth(piece.name) / Math.max(1, width)
      last = piece.car
    } else if (!again) last = ''
  }
  return shown
}
