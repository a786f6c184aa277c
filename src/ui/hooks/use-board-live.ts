'use client'

import { useEffect, useState } from 'react'
import type { BoardRow } from '@/core/views'

type Changed = { jobs: { id: string; simulated: boolean; summary: BoardRow['summary']; latest: { vacuum?: { value: number } } }[] }

/** The board's rows, kept up to date by the live stream; a car the page does not know yet reloads it. */
export function useBoardLive(first: BoardRow[]): BoardRow[] {
  const [rows, setRows] = useState(first)
  useEffect(() => {
    const known = new Set(first.map((r) => r.id))
    const source = new EventSource('/api/board/live')
    source.onmessage = (message) => {
      const { jobs } = JSON.parse(message.data) as Changed
      if (jobs.some((job) => !known.has(job.id))) {
        window.location.reload()
        return
      }
      const byId = new Map(jobs.map((job) => [job.id, job]))
      setRows((before) =>
        before.map((row) => {
          const job = byId.get(row.id)
          return job ? { ...row, summary: job.summary, vacuumPa: job.latest.vacuum?.value ?? row.vacuumPa } : row
        }),
      )
    }
    return () => source.close()
  }, [first])
  return rows
}
