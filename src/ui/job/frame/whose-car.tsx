'use client'

import { Popover } from 'radix-ui'
import { useState } from 'react'
import type { JobEvent } from '@/core/job/events'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-frame'
import type { Role } from '@/core/shop/people'
import { lengthWords } from '@/core/units/duration'
import { eventWords } from '@/core/words/event-words'
import type { UserView } from '../../frame/who'
import { Strong, slot, Worded } from '../../worded'
import type { Deeds } from '../use-deeds'

export type Colleague = { id: string; name: string; role: Role }

/** Whose car it is, who has its page open, what was done last; and giving it to somebody. */
export function WhoseCar({
  state,
  last,
  here,
  user,
  colleagues,
  nowMs,
  deeds,
}: {
  state: JobState
  last: JobEvent | undefined
  here: readonly string[]
  user: UserView
  colleagues: readonly Colleague[]
  nowMs: number
  deeds: Deeds
}) {
  const [open, setOpen] = useState(false)
  const others = here.filter((name) => name !== user.name)
  const mine = state.whose.name === user.name
  const give = (to: Pick<Colleague, 'id' | 'name'>) => {
    setOpen(false)
    deeds.record([{ kind: 'car-given', payload: { account: to.id, name: to.name } }])
  }
  return (
    <section
      aria-label={W.whoseCar}
      className={
        'no-print flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-rule px-5 py-1 text-note text-ink-2 ' +
        'max-sm:px-4'
      }
    >
      <span>
        {mine ? (
          <b className="font-semibold text-ink">{W.yourCar}</b>
        ) : (
          <Worded words={W.hasThisCar(slot('who'))} who={<Strong className="text-ink">{state.whose.name}</Strong>} />
        )}
      </span>
      {others.length > 0 && (
        <span>
          <Worded words={W.hereNow(slot('who'))} who={<Strong className="text-ink">{others.join(', ')}</Strong>} />
        </span>
      )}
      {last && last.by !== user.name && (
        <span suppressHydrationWarning>
          {W.ago2(last.by, lengthWords(Math.max(0, (nowMs - Date.parse(last.happenedAt)) / 1000)), eventWords(last))}
        </span>
      )}
      {!state.signed && (
        <span className="ml-auto flex gap-4">
          {!mine && (
            <button
              type="button"
              className="min-h-8 font-semibold text-ink underline underline-offset-2"
              disabled={deeds.busy}
              onClick={() => give(user)}
            >
              {W.takeItOver}
            </button>
          )}
          <Popover.Root open={open} onOpenChange={setOpen}>
            <Popover.Trigger className="min-h-8 text-ink underline underline-offset-2">{W.giveItTo}</Popover.Trigger>
            <Popover.Portal>
              <Popover.Content
                align="end"
                className="z-20 border-2 border-ink bg-ground p-1 text-body text-ink"
                aria-label={W.giveItTo2}
              >
                {colleagues
                  .filter((c) => c.name !== state.whose.name)
                  .map((c) => (
                    <button
                      key={c.id}
                      type="button"
                      className="block min-h-11 w-full px-4 text-left hover:bg-sheet"
                      onClick={() => give(c)}
                    >
                      {c.name}
                    </button>
                  ))}
              </Popover.Content>
            </Popover.Portal>
          </Popover.Root>
        </span>
      )}
    </section>
  )
}
