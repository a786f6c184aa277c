import type { Due } from '@/core/equipment/upkeep'

const MARK = { due: '△', soon: '◇', fine: '▪' } as const
const LOOK = { due: 'font-medium text-caution', soon: 'text-ink', fine: 'text-ink-2' } as const

/** What equipment is due for: a mark, then words; by shape first, colour last. */
export function DueList({ dues }: { dues: readonly Due[] }) {
  return (
    <ul className="text-[16px] leading-snug">
      {dues.map((due) => (
        <li key={due.words} className={`flex gap-2 ${LOOK[due.state]}`}>
          <span aria-hidden="true">{MARK[due.state]}</span>
          {due.words}
        </li>
      ))}
    </ul>
  )
}
