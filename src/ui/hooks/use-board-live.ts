'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useRef, useState } from 'react'
import type { BoardRow, Latest } from '@/core/views'

type Changed = { id: string; summary: BoardRow['summary']; latest: Latest }

/** Asking the server for a car the page does not know yet happens at most this often, ms. */
const REFRESH_MS = 2000

/** The board's rows, kept up to date by the live stream; a car the page does not know yet is asked for without leaving it. */
export function useBoardLive(rows: BoardRow[]): BoardRow[] {
  const router = useRouter()
  const [changes, setChanges] = useState<ReadonlyMap<string, Changed>>(new Map())
  const known = useRef(new Set<string>())
  known.current = new Set(rows.map((r) => r.id))
  useEffect(() => {
    let refresh: ReturnType<typeof setTimeout> | undefined
    const source = new EventSource('/api/board/live')
    source.onmessage = (message) => {
      const { jobs } = JSON.parse(message.data) as { jobs: Changed[] }
      setChanges((before) => new Map([...before, ...jobs.map((job) => [job.id, job] as const)]))
      if (refresh !== undefined || jobs.every((job) => known.current.has(job.id))) return
      refresh = setTimeout(() => {
        refresh = undefined
        router.refresh()
      }, REFRESH_MS)
    }
    return () => {
      clearTimeout(refresh)
      source.close()
    }
  }, [router])
  return rows.map((row) => {
    const change = changes.get(row.id)
    return change ? { ...row, summary: change.summary, vacuumPa: change.latest.vacuum?.value ?? row.vacuumPa, vacuumAt: change.latest.vacuum?.at ?? row.vacuumAt } : row
  })
}
