'use client'

import { useEffect, useRef } from 'react'
import type { BoardRow } from '@/core/views'
import { ask, keeper, keptAtMs } from './kept'

/** Time between two pages that are kept ahead, ms: the server has better things to do. */
const GAP_MS = 700
/** A car nothing was done on is kept anew after this, ms: it was read meanwhile. */
const AGAIN_MS = 15 * 60_000

type Kept = { events: number; atMs: number }

/** Keeps the page of every open job while there is a line: in the pit it is there, whoever opens it first. */
export function useKeepOpenJobs(rows: readonly BoardRow[]): void {
  const kept = useRef(new Map<string, Kept>())
  const now = useRef(rows)
  now.current = rows
  useEffect(() => {
    const next = setInterval(() => {
      if (!keeper() || keptAtMs() !== null) return
      // the one that was kept the longest ago: a car on which much is done keeps no other waiting
      const [due] = now.current
        .filter((row) => !row.summary.signed && isDue(kept.current.get(row.id), row.events))
        .sort((a, b) => keptAt(kept.current.get(a.id)) - keptAt(kept.current.get(b.id)))
      if (!due) return
      kept.current.set(due.id, { events: due.events, atMs: Date.now() })
      ask({ do: 'keep', path: `/job/${due.id}` })
    }, GAP_MS)
    return () => clearInterval(next)
  }, [])
}

const keptAt = (kept: Kept | undefined): number => kept?.atMs ?? 0

const isDue = (kept: Kept | undefined, events: number): boolean =>
  kept === undefined || kept.events !== events || Date.now() - kept.atMs > AGAIN_MS
