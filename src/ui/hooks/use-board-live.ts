'use client'

import { useEffect, useState } from 'react'
import { ringingOn } from '@/core/board/concerns'
import type { BoardRow } from '@/core/views'
import { useAlarmsOfStream } from '../alarms/alarms'
import { type Line, useEventStream } from './use-event-stream'

const LIVE = '/api/board/live'

type Message = { rows: BoardRow[]; all: boolean }

/**
 * The board's rows, kept up to date by the live stream: rows of the same kind as the page came with, all of them after
 * a lost line.
 */
export function useBoardLive(first: BoardRow[]): { rows: BoardRow[]; line: Line } {
  const [rows, setRows] = useState(first)
  useEffect(() => setRows(first), [first])
  const hear = useAlarmsOfStream()
  useEffect(() => hear(ringingOn(rows)), [hear, rows])
  const line = useEventStream(
    LIVE,
    () => LIVE,
    (data) => setRows((before) => merge(before, data as Message)),
  )
  return { rows, line }
}

/** Rows with what changed put in their place; new cars at the end. */
export function merge(before: readonly BoardRow[], { rows, all }: Message): BoardRow[] {
  if (all) return rows
  const changed = new Map(rows.map((row) => [row.id, row]))
  const known = new Set(before.map((row) => row.id))
  return [...before.map((row) => changed.get(row.id) ?? row), ...rows.filter((row) => !known.has(row.id))]
}
