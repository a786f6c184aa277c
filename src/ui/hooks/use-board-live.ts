'use client'

import { useEffect, useState } from 'react'
import { ringingOn } from '@/core/call/rings-for'
import type { DayView } from '@/core/day/view'
import type { BoardRow } from '@/core/views'
import { useAlarmsOfStream } from '../alarms/alarms'
import { useKeepOpenJobs } from '../offline/keep-open-jobs'
import { useSeen } from '../offline/use-seen'
import { type Line, useEventStream } from './use-event-stream'

const LIVE = '/api/board/live'

type Message = { rows: BoardRow[]; all: boolean; day?: DayView | null }

/** The day's plan; null before it was planned the first time, undefined until it has come. */
export type DayHere = DayView | null | undefined

/**
 * The board's rows and the day's plan, kept up to date by the live stream: of the same kind as the page came with, all
 * of them after a lost line.
 */
export function useBoardLive(
  first: BoardRow[],
  firstDay: DayHere,
): { rows: BoardRow[]; day: DayHere; line: Line; fromMs: number | null } {
  const [rows, setRows] = useState(first)
  const [day, setDay] = useState(firstDay)
  useEffect(() => setRows(first), [first])
  useKeepOpenJobs(rows)
  const { ready, fromMs } = useSeen('board', rows, setRows)
  // kept before the stream had brought it, it takes nothing from a page that came with it
  useSeen('day', day, (seen) => seen !== undefined && setDay(seen))
  const hear = useAlarmsOfStream()
  useEffect(() => hear(ringingOn(rows)), [hear, rows])
  const line = useEventStream(
    ready ? LIVE : null,
    () => LIVE,
    (data) => {
      const message = data as Message
      setRows((before) => merge(before, message))
      if (message.day !== undefined) setDay(message.day)
    },
  )
  return { rows, day, line, fromMs }
}

/** Rows with what changed put in their place; new cars at the end. */
export function merge(before: readonly BoardRow[], { rows, all }: Message): BoardRow[] {
  if (all) return rows
  const changed = new Map(rows.map((row) => [row.id, row]))
  const known = new Set(before.map((row) => row.id))
  return [...before.map((row) => changed.get(row.id) ?? row), ...rows.filter((row) => !known.has(row.id))]
}
