'use client'

import { useState } from 'react'
import { stepLabel } from '@/core/procedure/summary'
import type { BoardRow } from '@/core/views'
import { Popup } from '../frame/popup'

/** Finds a car by its name or model as one types. */
export function FindCar({ open, onOpenChange, rows }: { open: boolean; onOpenChange: (open: boolean) => void; rows: BoardRow[] }) {
  const [text, setText] = useState('')
  const found = rows.filter((r) => `${r.summary.name} ${r.summary.model}`.toLowerCase().includes(text.trim().toLowerCase())).slice(0, 8)
  return (
    <Popup open={open} onOpenChange={onOpenChange} title="Find a car" width="middle" closes={false}>
      <input aria-label="Name or model" className="field mt-2" value={text} onChange={(e) => setText(e.target.value)} />
      <ul className="mt-2">
        {found.map((row) => (
          <li key={row.id}>
            <a href={`/job/${row.id}`} className="flex min-h-11 items-center justify-between px-2 text-[18px] hover:bg-deep focus:bg-deep">
              <span>
                <b className="font-semibold">{row.summary.name}</b> {row.summary.model}
              </span>
              <span className="text-ink-2">{stepLabel(row.summary.step)}</span>
            </a>
          </li>
        ))}
      </ul>
      {found.length === 0 && <p className="p-2 text-[17px]">No car of today by that name.</p>}
    </Popup>
  )
}
