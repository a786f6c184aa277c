'use client'

import Link from 'next/link'
import { useState } from 'react'
import { wallTimeMs } from '@/core/procedure/clock'
import { stepLabel } from '@/core/procedure/summary'
import type { BoardRow } from '@/core/views'
import { clockIn } from '../format'
import { LineBar } from '../frame/line-bar'
import { useBoardLive } from '../hooks/use-board-live'
import { useHotkeys } from '../hooks/use-hotkeys'
import { useWallNow } from '../hooks/use-now'
import { BoardLine } from './board-row'
import { FindCar } from './find-car'
import { type Axis, TimeAxis } from './time-axis'

const HOUR = 3600_000

/** When a car needs someone, wall ms; -1 when hands are needed now, Infinity when it is done. */
export function neededMs({ summary, clock, vacuumPa }: BoardRow): number {
  if (summary.signed) return Number.POSITIVE_INFINITY
  if (summary.step === 'pull' && vacuumPa !== null && vacuumPa <= summary.targetPa) return -1
  return summary.comeBackAt === null || clock.length === 0 ? -1 : wallTimeMs(clock, Date.parse(summary.comeBackAt))
}

/** Every car in the shop today, in the order they need someone. */
export function Board({ rows: first, timeZone, serverNowMs }: { rows: BoardRow[]; timeZone: string; serverNowMs: number }) {
  const { rows, line } = useBoardLive(first)
  const now = useWallNow(serverNowMs)
  const [finding, setFinding] = useState(false)
  const sorted = [...rows].sort((a, b) => neededMs(a) - neededMs(b) || a.summary.name.localeCompare(b.summary.name))
  const axis: Axis = { fromMs: Math.floor((now - 3.5 * HOUR) / HOUR) * HOUR, toMs: now + 2 * HOUR, nowMs: now }
  useHotkeys({ '/': () => setFinding(true) })
  return (
    <main>
      <LineBar line={line} clock={clockIn(timeZone)} />
      <NextMoment rows={sorted} now={now} timeZone={timeZone} />
      <section aria-label="Cars" className="px-5 max-sm:px-4">
        <div className="grid grid-cols-[368px_1fr] max-lg:grid-cols-1">
          <button type="button" className="flex items-center gap-2 self-end pb-1 text-[16px] text-ink-2" onClick={() => setFinding(true)}>
            <span className="key">/</span> find a car
          </button>
          <TimeAxis axis={axis} clock={clockIn(timeZone)} />
        </div>
        <ul className="border-t-2 border-ink">
          {sorted.map((row) => (
            <BoardLine key={row.id} row={row} axis={axis} timeZone={timeZone} needed={neededMs(row)} />
          ))}
        </ul>
        {sorted.length === 0 && <p className="py-8 text-[20px]">No car today. Take one in: New car.</p>}
      </section>
      <FindCar open={finding} onOpenChange={setFinding} rows={sorted} />
    </main>
  )
}

function NextMoment({ rows, now, timeZone }: { rows: BoardRow[]; now: number; timeZone: string }) {
  const waiting = rows.filter((r) => Number.isFinite(neededMs(r)) && neededMs(r) >= 0)
  const next = waiting[0] ?? rows.find((r) => neededMs(r) < 0)
  useHotkeys({ o: () => next && window.location.assign(`/job/${next.id}`) })
  if (!next) return <div className="h-5" />
  const at = neededMs(next)
  const minutes = Math.round((at - now) / 60_000)
  const later = waiting.slice(1, 3)
  return (
    <section aria-label="Next moment" className="flex items-center gap-6 px-5 py-5 max-sm:flex-wrap max-sm:gap-3 max-sm:px-4 max-sm:py-3">
      <p className="figure text-[84px] font-semibold text-accent max-sm:text-[64px]" suppressHydrationWarning>
        {at < 0 ? 'Now' : clockIn(timeZone)(at)}
      </p>
      <div className="min-w-0 flex-1">
        <h1 className="text-[36px] font-semibold leading-tight max-sm:text-[26px]">
          {next.summary.name}: {nextDeed(next)}
        </h1>
        <p className="text-[17px] text-ink-2" suppressHydrationWarning>
          {at < 0 ? 'Hands are needed there.' : minutes <= 0 ? 'It is due.' : `In ${minutes} min. Until then it waits by itself.`}
        </p>
      </div>
      <ul className="text-[17px] max-lg:hidden">
        {later.map((row) => (
          <li key={row.id}>
            <b className="font-semibold">{clockIn(timeZone)(neededMs(row))}</b> {row.summary.name}, {nextDeed(row)}
          </li>
        ))}
      </ul>
      <Link href={`/job/${next.id}`} className="flex min-h-16 w-58 items-center justify-between rounded bg-accent px-5 text-[26px] font-semibold text-accent-text max-sm:w-full">
        Open it <span className="key max-sm:hidden">O</span>
      </Link>
    </section>
  )
}

function nextDeed({ summary }: BoardRow): string {
  if (summary.step === 'pull' && summary.comeBackAt) return 'isolate it'
  if (summary.step === 'hold' && summary.comeBackAt) return 'judge the hold'
  return `${stepLabel(summary.step).slice(2).trim().toLowerCase()}, ${summary.line}`
}
