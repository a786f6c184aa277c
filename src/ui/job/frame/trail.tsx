'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { useState } from 'react'
import { W } from '@/core/language/screen/job-frame'
import { eventWords } from '@/core/words/event-words'
import { Popup } from '../../frame/popup'
import type { LiveJob } from '../../hooks/use-job-live'
import { slot, Worded } from '../../worded'

type Line = { at: number; text: string; by: string; key: string }

function linesOf(job: LiveJob): Line[] {
  const events = job.events.map(
    (e): Line => ({ at: Date.parse(e.happenedAt), text: eventWords(e), by: e.by, key: e.id }),
  )
  const typed = job.typed.map(
    (r): Line => ({
      at: r.at,
      text: `${r.channel} ${r.sentValue} ${r.sentUnit}`,
      by: r.by ?? W.typed,
      key: `r${r.seq}`,
    }),
  )
  return [...events, ...typed].sort((a, b) => b.at - a.at)
}

/** Everything logged, newest first, by whom; six lines here, all of them by `A`. */
export function Trail({
  job,
  jobId,
  clock,
  open,
  onOpenChange,
}: {
  job: LiveJob
  jobId: string
  clock: (ms: number) => string
  open: boolean
  onOpenChange: (open: boolean) => void
}) {
  const lines = linesOf(job)
  return (
    <section aria-label={W.trail} className="mt-3 border-t border-rule pt-2 text-note">
      <div className="flex items-center justify-between">
        <h2 className="font-semibold">{W.trail}</h2>
        <a
          href={`/job/${jobId}/record`}
          className="ml-auto mr-4 flex min-h-9 items-center underline underline-offset-4"
        >
          {W.recordAndCorrectAnEntry}
        </a>
        <button type="button" className="flex min-h-9 items-center gap-2 text-ink-2" onClick={() => onOpenChange(true)}>
          <Worded words={W.entries(lines.length, slot('hotkey'))} hotkey={<span className="key">A</span>} />
        </button>
      </div>
      <ol className="columns-2 gap-8 max-sm:columns-1">
        {lines.slice(0, 6).map((line) => (
          <TrailLine key={line.key} line={line} clock={clock} />
        ))}
      </ol>
      <Popup open={open} onOpenChange={onOpenChange} title={W.everythingLogged} width="tall">
        <Whole lines={lines} clock={clock} />
      </Popup>
    </section>
  )
}

const LINE_PX = 28

/** The whole trail, however long: only what is in sight is drawn. */
function Whole({ lines, clock }: { lines: readonly Line[]; clock: (ms: number) => string }) {
  const [list, setList] = useState<HTMLOListElement | null>(null)
  const drawn = useVirtualizer({
    count: lines.length,
    getScrollElement: () => list,
    estimateSize: () => LINE_PX,
    overscan: 12,
  })
  const items = drawn.getVirtualItems()
  const [first, last] = [items[0], items[items.length - 1]]
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a list that scrolls must be reachable by keys
    <ol ref={setList} className="mt-3 min-h-0 flex-1 overflow-y-auto" tabIndex={0}>
      {first && first.start > 0 && <li aria-hidden="true" style={{ height: first.start }} />}
      {items.map(({ index }) => {
        const line = lines[index]
        return line && <TrailLine key={line.key} line={line} clock={clock} />
      })}
      {last && <li aria-hidden="true" style={{ height: Math.max(0, drawn.getTotalSize() - last.end) }} />}
    </ol>
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
