'use client'

import { eventWords } from '@/core/words/event-words'
import { Popup } from '../frame/popup'
import type { LiveJob } from '../hooks/use-job-live'

type Line = { at: number; text: string; by: string; key: string }

function linesOf(job: LiveJob): Line[] {
  const events = job.events.map(
    (e): Line => ({ at: Date.parse(e.happenedAt), text: eventWords(e), by: e.by, key: e.id }),
  )
  const typed = job.typed.map(
    (r): Line => ({
      at: r.at,
      text: `${r.channel} ${r.sentValue} ${r.sentUnit}`,
      by: r.by ?? 'typed',
      key: `r${r.seq}`,
    }),
  )
  return [...events, ...typed].sort((a, b) => b.at - a.at)
}

/** Everything logged, newest first, by whom; six lines here, all of them by `A`. */
export function Trail({
  job,
  clock,
  open,
  onOpenChange,
}: {
  job: LiveJob
  clock: (ms: number) => string
  open: boolean
  onOpenChange: (open: boolean) => void
}) {
  const lines = linesOf(job)
  return (
    <section aria-label="Trail" className="mt-3 border-t border-rule pt-2 text-[15.5px]">
      <div className="flex items-center justify-between">
        <h2 className="font-semibold">Trail</h2>
        <button type="button" className="flex min-h-9 items-center gap-2 text-ink-2" onClick={() => onOpenChange(true)}>
          {lines.length} {lines.length === 1 ? 'entry' : 'entries'} <span className="key">A</span> all
        </button>
      </div>
      <ol className="columns-2 gap-8 max-sm:columns-1">
        {lines.slice(0, 6).map((line) => (
          <TrailLine key={line.key} line={line} clock={clock} />
        ))}
      </ol>
      <Popup open={open} onOpenChange={onOpenChange} title="Everything logged" width="tall">
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a list that scrolls must be reachable by keys */}
        <ol className="mt-3 overflow-y-auto" tabIndex={0}>
          {lines.map((line) => (
            <TrailLine key={line.key} line={line} clock={clock} />
          ))}
        </ol>
      </Popup>
    </section>
  )
}

function TrailLine({ line, clock }: { line: Line; clock: (ms: number) => string }) {
  return (
    <li className="grid break-inside-avoid grid-cols-[52px_1fr_auto] gap-2 py-0.5">
      <b className="font-semibold" suppressHydrationWarning>
        {clock(line.at)}
      </b>
      <span className="truncate">{line.text}</span>
      <span className="text-ink-2">{line.by}</span>
    </li>
  )
}
