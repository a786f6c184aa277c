'use client'

import type { LeakChecked, LeakPlace } from '@/core/job/leak'
import { W } from '@/core/language/screen/job-fix'
import { PLACES, type Reach } from '@/core/leak/places'
import type { SearchView } from '@/core/leak/search-view'
import { SideEntry } from '../../forms/side-entry'
import type { Deeds } from '../../use-deeds'

const REACHED: Record<Reach, string> = {
  open: W.inTheOpen,
  behind: W.behindSomethingSeenAndBrushed,
  inside: W.insideTheCarOnlyA,
}

type Props = { view: SearchView; place: LeakPlace; deeds: Deeds }

/** One place of the sketch: how likely, how well it is reached, and what was seen there. */
export function PlacePanel({ view, place, deeds }: Props) {
  const chance = view.chances.get(place) ?? 0
  const { name, reach } = PLACES[place]
  const saw = (seen: LeakChecked) => deeds.record([{ kind: 'leak-checked', payload: seen }])
  return (
    <section aria-label={W.place(name)} className="mt-2 rounded border-[1.5px] border-ink bg-sheet p-3">
      <h3 className="text-lead font-semibold">
        {name} <span className="font-normal">{W.of1003(Math.round(chance * 100))}</span>
      </h3>
      <p className="text-small text-ink-2">{REACHED[reach]}</p>
      <div className="mt-2 flex flex-wrap gap-2">
        <Saw label={W.oilOrDyeHere} onClick={() => saw({ check: 'look', at: place })} deeds={deeds} />
        <Saw label={W.theSnifferSoundsHere} onClick={() => saw({ check: 'sniffer', at: place })} deeds={deeds} />
        {view.search.nitrogen && (
          <>
            <Saw
              label={W.itBubblesHere}
              onClick={() => saw({ check: 'soap', at: place, bubbles: true })}
              deeds={deeds}
            />
            <Saw
              label={W.noBubblesHere}
              onClick={() => saw({ check: 'soap', at: place, bubbles: false })}
              deeds={deeds}
            />
          </>
        )}
      </div>
      <SideEntry
        key={place}
        title={W.itWasHereWhatWas}
        intro={W.mendedAtThisPlaceThe}
        action={W.mended}
        deeds={deeds}
        fields={[{ name: 'done', label: W.whatWasDone, placeholder: W.newORingSnugged }]}
        read={(v, c) => {
          const done = v.done?.trim() ?? ''
          if (!done) c.errors.done = W.sayWhatWasDoneThere2
          return [{ kind: 'leak-found', payload: { at: place, done, sure: chance } }]
        }}
      />
    </section>
  )
}

function Saw({ label, onClick, deeds }: { label: string; onClick: () => void; deeds: Deeds }) {
  return (
    <button type="button" className="plain-button" disabled={deeds.busy} onClick={onClick}>
      {label}
    </button>
  )
}
