'use client'

import Link from 'next/link'
import { useState } from 'react'
import { EQUIPMENT_KINDS, type EquipmentKind, type Shelved } from '@/core/equipment/equipment'
import { duesOf } from '@/core/equipment/upkeep'
import { W } from '@/core/language/screen/rig-room'
import { dayIn } from '../format'
import { useSay } from '../units'
import { useZone } from '../zone'
import { DueList } from './due-list'
import { EquipmentForm } from './equipment-form'
import { KINDS_WORDS, specWords } from './equipment-words'

/** Everything on the shelf by kind, with what is due; each leads to its checks and history. */
export function Shelf({ shelf, mayEdit, now }: { shelf: readonly Shelved[]; mayEdit: boolean; now: number }) {
  return (
    <section aria-label={W.shelf} className="border-t-2 border-ink px-5 pt-4 pb-8 max-sm:px-4">
      <h2 className="text-title font-semibold">{W.onTheShelf}</h2>
      <div className="mt-2 columns-2 gap-8 max-lg:columns-1">
        {EQUIPMENT_KINDS.map((kind) => (
          <Kind key={kind} kind={kind} items={shelf.filter((s) => s.kind === kind)} mayEdit={mayEdit} now={now} />
        ))}
      </div>
    </section>
  )
}

function Kind({
  kind,
  items,
  mayEdit,
  now,
}: {
  kind: EquipmentKind
  items: readonly Shelved[]
  mayEdit: boolean
  now: number
}) {
  const say = useSay()
  const zone = useZone()
  const [adding, setAdding] = useState(false)
  return (
    <div className="mb-6 break-inside-avoid">
      <div className="flex items-end justify-between border-b border-ink pb-1">
        <h3 className="text-row font-semibold">{KINDS_WORDS[kind].many}</h3>
        {mayEdit && (
          <button
            type="button"
            className="min-h-9 text-small underline underline-offset-4"
            onClick={() => setAdding(!adding)}
          >
            {adding ? W.leaveIt : W.another(KINDS_WORDS[kind].one)}
          </button>
        )}
      </div>
      {adding && <EquipmentForm kind={kind} now={now} onDone={() => setAdding(false)} />}
      {items.length === 0 && !adding && <p className="py-2 text-small text-ink-2">{W.noneYet}</p>}
      <ul>
        {items.map((item) => (
          <li key={item.id} className="border-b border-rule">
            <Link
              href={`/rig-room/${item.id}`}
              className={
                'grid min-h-[58px] grid-cols-[130px_minmax(0,1fr)] items-center gap-3 py-1.5 hover:bg-sheet ' +
                'max-sm:grid-cols-1 max-sm:gap-0'
              }
            >
              <b className={`text-lead font-semibold ${item.retired ? 'line-through' : ''}`}>{item.name}</b>
              <span>
                <span className="block text-note leading-snug">{specWords(item, say)}</span>
                <DueList dues={duesOf(item, now, dayIn(zone))} />
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </div>
  )
}
