import type { JobState } from '@/core/job/state'
import { eventWords } from '@/core/words/event-words'
import type { Deeds } from '../use-deeds'

/**
 * Deeds that were done without a line and contradict what others did meanwhile: somebody says which holds; both stay in
 * the log.
 */
export function AsideBar({ state, deeds, clock }: { state: JobState; deeds: Deeds; clock: (ms: number) => string }) {
  const waiting = Object.values(state.aside).flatMap(({ event }) => (event ? [event] : []))
  if (waiting.length === 0) return null
  const choose = (eventId: string, holds: boolean) =>
    deeds.record([{ kind: 'deed-chosen', payload: { eventId, holds } }])
  return (
    <ul aria-label="Set aside" className="border-b-2 border-ink bg-sheet px-5 max-sm:px-4">
      {waiting.map((event) => (
        <li key={event.id} className="flex flex-wrap items-center gap-x-4 gap-y-2 py-2">
          <p className="min-w-0 flex-1 text-lead leading-tight max-sm:min-w-[240px]">
            <b className="font-semibold">
              {event.by}, {clock(Date.parse(event.happenedAt))}, without a line: {eventWords(event)}.
            </b>{' '}
            It contradicts what others did meanwhile. Does it hold?
          </p>
          <button
            type="button"
            className="plain-button text-small"
            disabled={deeds.busy}
            onClick={() => choose(event.id, true)}
          >
            It holds
          </button>
          <button
            type="button"
            className="plain-button text-small"
            disabled={deeds.busy}
            onClick={() => choose(event.id, false)}
          >
            It does not
          </button>
        </li>
      ))}
    </ul>
  )
}
