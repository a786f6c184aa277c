import type { DayRow } from '@/core/day/day'
import type { ShopPlan } from '@/core/day/plan-shop'
import type { Span } from '@/core/day/shop-day'
import { wallTimeMs } from '@/core/job/clock'
import type { Visit } from '@/core/job/state'
import type { Step } from '@/core/job/steps'
import { W } from '@/core/language/screen/day'
import { MINUTE_MS } from '@/core/units/constants'
import type { BoardRow } from '@/core/views'

/** A piece of somebody's or something's day, wall ms. */
export type Piece = {
  id: string
  kind: 'hands' | 'wait'
  state: 'done' | 'running' | 'planned'
  /** the car's key in the plan, and its name */
  car: string
  name: string
  step: Step
  fromMs: number
  toMs: number
  /** nine of ten such waits are over by then */
  latestMs: number
  person: string | null
  rig: string | null
  /** it was put here by hand, by whom */
  pinnedBy: string | null
  jobId: string | null
  /** a wait that began: its job's own time then, and when it ended */
  read: { from: string; to: string | null } | null
}

export type Lane = {
  id: string
  kind: 'person' | 'rig' | 'scale' | 'holding'
  name: string
  note: string
  off: readonly Span[]
  pieces: Piece[]
}

const isWait = (row: DayRow): boolean => row.person === null
const WAITS: readonly Step[] = ['pull', 'hold']

/**
 * Everybody's and everything's day: what was done since `fromMs`, what is under way, what is planned; whoever looks
 * first.
 */
export function lanesOf(
  plan: ShopPlan,
  rows: readonly BoardRow[],
  nowMs: number,
  fromMs: number,
  viewerId: string | null = null,
): Lane[] {
  const done = rows.flatMap((row) => donePieces(row, nowMs, fromMs))
  const planned = plan.rows.map((row) => plannedPiece(plan, row, rows, nowMs)).filter((p) => p.toMs > nowMs)
  const all = [...done, ...planned]
  const { people, rigs, scales } = plan.shop
  // whoever looks finds themselves first, and those with nothing to do last
  const busy = (id: string, name: string) => all.some((x) => x.person === id || x.person === name)
  const rank = (p: (typeof people)[number]) => (p.id === viewerId ? 0 : busy(p.id, p.name) ? 1 : 2)
  const ordered = [...people].sort((a, b) => rank(a) - rank(b))
  const held = holding(all.filter((p) => p.kind === 'wait' && p.rig === null))
  return [
    ...ordered.map(
      (p): Lane => ({
        id: `person ${p.id}`,
        kind: 'person',
        name: p.name.split(' ')[0] ?? p.name,
        note: p.role === 'trainee' ? W.trainee : W.person,
        off: p.off,
        pieces: all.filter((x) => x.kind === 'hands' && (x.person === p.id || x.person === p.name)),
      }),
    ),
    ...rigs.map(
      (r): Lane => ({
        id: `rig ${r.name}`,
        kind: 'rig',
        name: r.name.split(',')[0] ?? r.name,
        note: r.pump ?? W.rig,
        off: r.off,
        pieces: all.filter((x) => x.kind === 'wait' && x.rig !== null && (x.rig === r.name || r.rigs?.includes(x.rig))),
      }),
    ),
    ...scales.map(
      (s): Lane => ({
        id: `scale ${s.name}`,
        kind: 'scale',
        name: s.name,
        note: W.scale,
        off: s.off,
        pieces: plan.rows
          .filter((r) => r.scale === s.name)
          .map((row) => plannedPiece(plan, row, rows, nowMs))
          .filter((p) => p.toMs > nowMs)
          .map((p) => ({ ...p, id: `${p.id} scale` })),
      }),
    ),
    ...held.map(
      (pieces, i): Lane => ({
        id: `holding ${i}`,
        kind: 'holding',
        name: i === 0 ? W.shutIn : '',
        note: i === 0 ? W.hosesOff : '',
        off: [],
        pieces,
      }),
    ),
  ]
}

/** Cars that hold with their hoses off, each where no other is at that time. */
function holding(pieces: readonly Piece[]): Piece[][] {
  const lanes: Piece[][] = []
  for (const piece of [...pieces].sort((a, b) => a.fromMs - b.fromMs)) {
    const free = lanes.find((l) => (l.at(-1)?.latestMs ?? 0) <= piece.fromMs)
    if (free) free.push(piece)
    else lanes.push([piece])
  }
  return lanes
}

function donePieces(row: BoardRow, nowMs: number, fromMs: number): Piece[] {
  const { clock, summary, id } = row
  if (clock.length === 0) return []
  const wall = (iso: string) => wallTimeMs(clock, Date.parse(iso))
  return summary.visits.flatMap((visit: Visit, i): Piece[] => {
    const wait = WAITS.includes(visit.step)
    // what is under way is the plan's own piece
    if (visit.endedAt === undefined) return []
    const [from, to] = [wall(visit.startedAt), wall(visit.endedAt)]
    if (to <= fromMs || to <= from || from >= nowMs) return []
    return [
      {
        id: `${id} done ${i}`,
        kind: wait ? 'wait' : 'hands',
        state: 'done',
        car: id,
        name: summary.name,
        step: visit.step,
        fromMs: from,
        toMs: Math.min(to, nowMs),
        latestMs: Math.min(to, nowMs),
        person: wait ? null : (visit.by ?? null),
        rig: wait ? (summary.rig ?? null) : null,
        pinnedBy: null,
        jobId: id,
        read: wait ? { from: visit.startedAt, to: visit.endedAt } : null,
      },
    ]
  })
}

function plannedPiece(plan: ShopPlan, row: DayRow, rows: readonly BoardRow[], nowMs: number): Piece {
  const car = plan.shop.cars.find((c) => c.key === row.car)
  const board = rows.find((r) => r.id === row.car)
  const at = (minutes: number) => plan.madeMs + minutes * MINUTE_MS
  const step = car?.steps.find((s) => s.step === row.step && (s.hands === undefined) === isWait(row))
  const visit = board?.summary.visits.at(-1)
  // a wait that runs began when its car was left to itself
  const running = isWait(row) && row.from <= 0.01 && board?.summary.step === row.step && visit?.endedAt === undefined
  const began = running && visit && board ? wallTimeMs(board.clock, Date.parse(visit.startedAt)) : at(row.from)
  const toMs = at(row.to)
  const long = step?.waitP90 !== undefined ? at(row.from + step.waitP90) : toMs
  return {
    id: `${row.car} ${row.step} ${isWait(row) ? 'wait' : 'hands'} ${row.from < 0 ? 'now' : ''}`,
    kind: isWait(row) ? 'wait' : 'hands',
    state: running || began <= nowMs ? 'running' : 'planned',
    car: row.car,
    name: car?.name ?? row.car,
    step: row.step,
    fromMs: began,
    toMs,
    latestMs: Math.max(toMs, long),
    person: row.person,
    rig: row.rig,
    pinnedBy: isWait(row) ? null : (plan.shop.pins.find((p) => p.car === row.car && p.step === row.step)?.by ?? null),
    jobId: car?.jobId ?? null,
    read: running && visit ? { from: visit.startedAt, to: null } : null,
  }
}

/**
 * The span of time a day is drawn over, wall ms: the hours done that still matter, and what is planned, no more than
 * a night.
 */
export function spanOfDay(plan: ShopPlan, rows: readonly BoardRow[], nowMs: number): { fromMs: number; toMs: number } {
  const HOUR = 3_600_000
  const begun = rows
    .filter((r) => r.clock.length > 0 && !r.summary.signed)
    .map((r) => wallTimeMs(r.clock, Date.parse(r.summary.visits[0]?.startedAt ?? new Date(nowMs).toISOString())))
  const earliest = Math.max(nowMs - 2 * HOUR, Math.min(nowMs - HOUR, ...begun))
  const ends = plan.rows.map((r) => plan.madeMs + r.to * MINUTE_MS)
  const latest = Math.min(nowMs + 11 * HOUR, Math.max(nowMs + 3 * HOUR, ...ends) + HOUR / 2)
  return { fromMs: Math.floor(earliest / (HOUR / 2)) * (HOUR / 2), toMs: latest }
}
