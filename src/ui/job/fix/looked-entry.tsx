'use client'

import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-fix'
import { SideEntry } from '../forms/side-entry'
import type { Deeds } from '../use-deeds'

type Props = { state: JobState; deeds: Deeds; clock: (ms: number) => string }

const INTRO = W.coresUnderTheirCapsFirst

/** Where the leak was looked for, in order, and what was found. */
export function LookedEntry({ state, deeds, clock }: Props) {
  return (
    <>
      <SideEntry
        title={W.lookedForTheLeak}
        intro={INTRO}
        action={W.itIsLookedAt}
        deeds={deeds}
        fields={[
          { name: 'place', label: W.where, placeholder: W.lowPortCore },
          { name: 'found', label: W.whatWasFound, placeholder: W.bubblesOilNothing },
        ]}
        read={(v, c) => {
          const [place, found] = [v.place?.trim() ?? '', v.found?.trim() ?? '']
          if (!place) c.errors.place = W.sayWhereItWasLooked
          if (!found) c.errors.found = W.sayWhatWasFoundThere
          return [{ kind: 'looked-at', payload: { place, found } }]
        }}
      />
      {state.looked.length > 0 && (
        <ol aria-label={W.lookedAt} className="text-body">
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
