'use client'

import type { JobState } from '@/core/job/state'
import { SideEntry } from '../forms/side-entry'
import type { Deeds } from '../use-deeds'

type Props = { state: JobState; deeds: Deeds; clock: (ms: number) => string }

const INTRO =
  'Cores under their caps first, then what was opened last, then what is oily. Each place with what was ' +
  'found there, so that nobody looks twice.'

/** Where the leak was looked for, in order, and what was found. */
export function LookedEntry({ state, deeds, clock }: Props) {
  return (
    <>
      <SideEntry
        title="Looked for the leak"
        intro={INTRO}
        action="It is looked at"
        deeds={deeds}
        fields={[
          { name: 'place', label: 'Where', placeholder: 'low port, core' },
          { name: 'found', label: 'What was found', placeholder: 'bubbles, oil, nothing' },
        ]}
        read={(v, c) => {
          const [place, found] = [v.place?.trim() ?? '', v.found?.trim() ?? '']
          if (!place) c.errors.place = 'say where it was looked'
          if (!found) c.errors.found = 'say what was found there, or: nothing'
          return [{ kind: 'looked-at', payload: { place, found } }]
        }}
      />
      {state.looked.length > 0 && (
        <ol aria-label="Looked at" className="text-body">
          {state.looked.map((l) => (
            <li key={l.at + l.place} className="grid grid-cols-[56px_1fr] gap-x-3 border-t border-rule py-1.5">
              <span className="text-ink-2">{clock(Date.parse(l.at))}</span>
              <span>
                <b className="font-semibold">{l.place}</b>: {l.found}
              </span>
            </li>
          ))}
        </ol>
      )}
    </>
  )
}
