import { useEffect, useRef } from 'react'
import type { JobEvent } from '@/core/job/events'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-frame'
import { eventWords } from '@/core/words/event-words'
import type { Deeds } from '../use-deeds'

type Props = { events: readonly JobEvent[]; state: JobState; deeds: Deeds; clock: (ms: number) => string }

/**
 * Deeds that were done without a line and contradict what others did meanwhile, each beside what it contradicts:
 * whoever is at the car says by one tap which holds; both stay in the log.
 */
export function AsideBar({ events, state, deeds, clock }: Props) {
  const questions = asked(state)
  const list = useRef<HTMLUListElement>(null)
  const count = questions.length
  // whoever stands further down the page is shown that there is something to decide
  useEffect(() => {
    if (count > 0) list.current?.scrollIntoView({ block: 'nearest' })
  }, [count])
  if (questions.length === 0) return null
  const choose = (those: readonly JobEvent[], holds: boolean) =>
    deeds.record(those.map((e) => ({ kind: 'deed-chosen', payload: { eventId: e.id, holds } })))
  return (
    <ul ref={list} aria-label={W.setAside} className="border-b-2 border-caution bg-sheet px-5 max-sm:px-4">
      {questions.map(({ those, because }) => {
        const against = events.find((e) => e.id === because)
        const late = those[0] as JobEvent
        return (
          <li key={late.id} className="py-3">
            <p className="mb-2 text-row font-semibold">{W.twoHandsDidDifferentThings}</p>
            <div className="grid grid-cols-2 gap-x-6 gap-y-3 max-sm:grid-cols-1">
              <Side
                title={W.whatStandsNow}
                those={against ? [against] : []}
                clock={clock}
                label={W.isRight(against?.by ?? W.whatStands)}
                busy={deeds.busy}
                onHolds={() => choose(those, false)}
              />
              <Side
                title={W.doneWithoutALineCome}
                those={those}
                clock={clock}
                label={W.isRight(late.by)}
                busy={deeds.busy}
                onHolds={() => choose(those, true)}
              />
            </div>
          </li>
        )
      })}
    </ul>
  )
}

/** What waits to be chosen: all that one hand did against one thing is one question. */
function asked(state: JobState): { because: string; those: JobEvent[] }[] {
  const found = new Map<string, { because: string; those: JobEvent[] }>()
  for (const { event, because } of Object.values(state.aside)) {
    if (!event) continue
    const key = `${event.by} ${because}`
    const question = found.get(key) ?? { because, those: [] }
    question.those.push(event)
    found.set(key, question)
  }
  return [...found.values()]
}

type SideProps = {
  title: string
  those: readonly JobEvent[]
  clock: (ms: number) => string
  label: string
  busy: boolean
  onHolds: () => void
}

function Side({ title, those, clock, label, busy, onHolds }: SideProps) {
  const last = those.at(-1)
  return (
    <div className="flex min-w-0 items-start gap-4 border-l-4 border-ink pl-3">
      <p className="min-w-0 flex-1 text-body leading-snug">
        <span className="block text-note text-ink-2">{title}</span>
        {last ? (
          <>
            {those.map((event) => (
              <b key={event.id} className="block font-semibold">
                {eventWords(event)}
              </b>
            ))}
            <span className="block text-small" suppressHydrationWarning>
              {last.by}, {clock(Date.parse(last.happenedAt))}
            </span>
          </>
        ) : (
          W.itIsNoMoreIn
        )}
      </p>
      <button type="button" className="plain-button text-small" disabled={busy} onClick={onHolds}>
        {label}
      </button>
    </div>
  )
}
