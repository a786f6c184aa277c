'use client'

import { Command } from 'cmdk'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { stepLabel } from '@/core/job/doing'
import { W } from '@/core/language/screen/board'
import type { BoardRow } from '@/core/views'
import { Popup } from '../frame/popup'

/** Finds a car by its name or model as one types; arrows choose, Enter opens it. */
export function FindCar({
  open,
  onOpenChange,
  rows,
}: {
  open: boolean
  onOpenChange: (open: boolean) => void
  rows: BoardRow[]
}) {
  const router = useRouter()
  const [typed, setTyped] = useState('')
  return (
    <Popup open={open} onOpenChange={onOpenChange} title={W.findACar2} width="middle" closes={false}>
      <Command label={W.nameOrModel} loop>
        <Command.Input className="field mt-2 w-full" value={typed} onValueChange={setTyped} autoFocus />
        <Command.List className="mt-2 max-h-[420px] overflow-y-auto">
          {rows.map((row) => (
            <Command.Item
              key={row.id}
              value={row.id}
              keywords={[row.summary.name, row.summary.model]}
              onSelect={() => router.push(`/job/${row.id}`)}
              className={
                'flex min-h-11 cursor-pointer items-center justify-between px-2 text-lead ' +
                'data-[selected=true]:bg-deep'
              }
            >
              <span>
                <b className="font-semibold">{row.summary.name}</b> {row.summary.model}
              </span>
              <span className="text-ink-2">{stepLabel(row.summary.step)}</span>
            </Command.Item>
          ))}
          {typed.trim() !== '' && (
            <Command.Item
              value={W.allOfTheBook(typed)}
              // always offered, after the cars that are here
              forceMount
              onSelect={() => router.push(`/records?q=${encodeURIComponent(typed.trim())}`)}
              className="flex min-h-11 cursor-pointer items-center px-2 text-lead data-[selected=true]:bg-deep"
            >
              {W.lookFor}
              {typed.trim()}
              {W.inTheWholeBook}
            </Command.Item>
          )}
        </Command.List>
      </Command>
    </Popup>
  )
}
