'use client'

import { useState } from 'react'
import type { Live } from '@/core/call/types'
import type { LeakPlace } from '@/core/job/leak'
import { searchNow } from '@/core/job/search'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-fix'
import { PLACES } from '@/core/leak/places'
import { type SearchView, searchView } from '@/core/leak/search-view'
import { seenWords } from '@/core/leak/seen-words'
import { Field } from '../../../form/field'
import type { LiveJob } from '../../../hooks/use-job-live'
import { useField } from '../../forms/fields'
import { useForms } from '../../forms/forms'
import type { Deeds } from '../../use-deeds'
import { ChecksTable } from './checks-table'
import { CircuitSketch } from './circuit-sketch'
import { PlacePanel } from './place-panel'
import { PressurePicture } from './pressure-picture'
import { AgeEntry, NitrogenEntry, PartChargeEntry, WeighEntry } from './search-entries'

type Props = { state: JobState; live: Live; job: LiveJob; deeds: Deeds; clock: (ms: number) => string }

/** Places shown in the list beside the sketch. */
const LISTED = 7

/** The search: the circuit with its chances, what was seen, and the pressure test while nitrogen is in. */
export function SearchStep({ state, live, job, deeds, clock }: Props) {
  const { form } = useForms()
  const [selected, select] = useState<LeakPlace | null>(null)
  const view = searchView(state, live.learned)
  if (!view || !searchNow(state)) return null
  const shownAt = view.search.seen.flatMap(({ seen }) => ('at' in seen && seen.at && showed(seen) ? [seen.at] : []))
  const cleared = view.search.seen.flatMap(({ seen }) => (seen.check === 'soap' && !seen.bubbles ? [seen.at] : []))
  return (
    <>
      {form === 'leak-found' && view.named && <FoundForm name={PLACES[view.named.place].name} />}
      <CircuitSketch
        chances={view.chances}
        cleared={new Set(cleared)}
        shown={new Set(shownAt)}
        selected={selected}
        onSelect={(place) => select(place === selected ? null : place)}
      />
      {selected && <PlacePanel view={view} place={selected} deeds={deeds} />}
      {view.search.nitrogen && <PressurePicture state={state} live={live} job={job} clock={clock} />}
      <div className="mt-3 grid grid-cols-2 gap-x-6 max-sm:grid-cols-1">
        <Likeliest view={view} selected={selected} onSelect={select} />
        <Seen view={view} clock={clock} />
      </div>
      {!view.search.nitrogen && <NitrogenEntry state={state} deeds={deeds} />}
      <PartChargeEntry deeds={deeds} />
      <AgeEntry state={state} deeds={deeds} />
      <WeighEntry deeds={deeds} />
      <ChecksTable />
    </>
  )
}

const showed = (seen: SearchView['search']['seen'][number]['seen']): boolean =>
  seen.check === 'soap' ? seen.bubbles : seen.check === 'look' || seen.check === 'sniffer'

function FoundForm({ name }: { name: string }) {
  return (
    <div className="max-w-[520px]">
      <Field label={W.whatWasDoneAt(name)} {...useField('done')} placeholder={W.newORingSnugged} />
    </div>
  )
}

type ListProps = { view: SearchView; selected: LeakPlace | null; onSelect: (place: LeakPlace) => void }

/** The same chances as a list: the sketch's table, and its keys for a finger. */
function Likeliest({ view, selected, onSelect }: ListProps) {
  return (
    <section aria-label={W.likeliest}>
      <h3 className="text-small font-medium">{W.likeliestOf100SuchCars}</h3>
      <ol>
        {view.ranked.slice(0, LISTED).map(({ place, chance }) => (
          <li key={place} className="border-t border-rule">
            <button
              type="button"
              aria-pressed={selected === place}
              onClick={() => onSelect(place)}
              className="grid min-h-11 w-full grid-cols-[44px_1fr] items-center gap-x-3 text-left text-body"
            >
              <b className="figure text-right text-row font-semibold">{Math.round(chance * 100)}</b>
              <span>
                {PLACES[place].name}
                <span
                  aria-hidden
                  className="mt-0.5 block h-1 bg-ink"
                  style={{ width: `${Math.max(1, 100 * chance)}%` }}
                />
              </span>
            </button>
          </li>
        ))}
      </ol>
      <p className="text-note text-ink-2">
        {W.begunFromAssumedShares(view.search.seen.length > 0 ? W.movedByWhatWasSeen : '')}
      </p>
    </section>
  )
}

function Seen({ view, clock }: { view: SearchView; clock: (ms: number) => string }) {
  return (
    <section aria-label={W.seenSoFar}>
      <h3 className="text-small font-medium">{W.seenSoFar}</h3>
      {view.search.seen.length === 0 && <p className="text-body">{W.nothingWasLookedAtYet}</p>}
      <ol>
        {view.search.seen.map(({ seen, when }) => (
          <li
            key={when + seenWords(seen)}
            className="grid min-h-11 grid-cols-[56px_1fr] items-center gap-x-3 border-t border-rule text-body"
          >
            <span className="text-ink-2">{clock(Date.parse(when))}</span>
            <span>{seenWords(seen)}</span>
          </li>
        ))}
      </ol>
      {view.clues.map((clue) => (
        <p key={clue.words} className="border-t border-rule py-1.5 text-small text-ink-2">
          {clue.words}
        </p>
      ))}
    </section>
  )
}
