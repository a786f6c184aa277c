import type { JobEvent } from '@/core/job/events'
import type { JobState } from '@/core/job/state'
import { eventWords } from '@/core/words/event-words'
import type { Deeds } from '../use-deeds'

type Props = { events: readonly JobEvent[]; state: JobState; deeds: Deeds; clock: (ms: number) => string }

/**
 * Deeds that were done without a line and contradict what others did meanwhile, each beside what it contradicts:
 * whoever is at the car says by one tap which holds; both stay in the log.
 */
export function AsideBar({ events, state, deeds, clock }: Props) {
  const waiting = Object.values(state.aside).flatMap(({ event, because }) => (event ? [{ event, because }] : []))
  if (waiting.length === 0) return null
  const choose = (eventId: string, holds: boolean) =>
    deeds.record([{ kind: 'deed-chosen', payload: { eventId, holds } }])
  return (
    <ul aria-label="Set aside" className="border-b-2 border-caution bg-sheet px-5 max-sm:px-4">
      {waiting.map(({ event, because }) => {
        const against = events.find((e) => e.id === because)
        return (
          <li key={event.id} className="py-3">
            <p className="mb-2 text-row font-semibold">Two hands did different things here. Which holds?</p>
            <div className="grid grid-cols-2 gap-x-6 gap-y-3 max-sm:grid-cols-1">
              <Side
                title="what stands now"
                event={against}
                clock={clock}
                label={`${against?.by ?? 'What stands'} is right`}
                busy={deeds.busy}
                onHolds={() => choose(event.id, false)}
              />
              <Side
                title="done without a line, come in later"
                event={event}
                clock={clock}
                label={`${event.by} is right`}
                busy={deeds.busy}
                onHolds={() => choose(event.id, true)}
              />
            </div>
          </li>
        )
      })}
    </ul>
  )
}

type SideProps = {
  title: string
  event: JobEvent | undefined
  clock: (ms: number) => string
  label: string
  busy: boolean
  onHolds: () => void
}

function Side({ title, event, clock, label, busy, onHolds }: SideProps) {
  return (
    <div className="flex min-w-0 items-start gap-4 border-l-4 border-ink pl-3">
      <p className="min-w-0 flex-1 text-body leading-snug">
        <span className="block text-note text-ink-2">{title}</span>
        {event ? (
          <>
            <b className="font-semibold">{eventWords(event)}</b>
            <span className="block text-small" suppressHydrationWarning>
              {event.by}, {clock(Date.parse(event.happenedAt))}
            </span>
          </>
        ) : (
          'It is no more in this job’s log.'
        )}
      </p>
      <button type="button" className="plain-button text-small" disabled={busy} onClick={onHolds}>
        {label}
      </button>
    </div>
  )
}
