import { Check, Clock, TriangleAlert } from 'lucide-react'
import type { Due } from '@/core/equipment/upkeep'

const MARK = { due: TriangleAlert, soon: Clock, fine: Check } as const
const LOOK = { due: 'font-medium text-caution', soon: 'text-ink', fine: 'text-ink-2' } as const

/** What equipment is due for: a mark, then words; by shape first, colour last. */
export function DueList({ dues }: { dues: readonly Due[] }) {
  return (
    <ul className="text-small leading-snug">
      {dues.map((due) => {
        const Mark = MARK[due.state]
        return (
          <li key={due.words} className={`flex items-center gap-2 ${LOOK[due.state]}`}>
            <Mark aria-hidden="true" size={16} strokeWidth={2.4} className="shrink-0" />
            {due.words}
          </li>
        )
      })}
    </ul>
  )
}
