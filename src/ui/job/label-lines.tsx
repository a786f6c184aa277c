'use client'

import type { JobState } from '@/core/job/state'
import { massInAllUnits } from '@/core/units/mass'
import type { Deeds } from './use-deeds'

/** The lines of the car's label with the one that counts; picking another is recorded, with what it was before. */
export function LabelLines({ state, deeds }: { state: JobState; deeds: Deeds }) {
  const { label } = state.opened
  const pick = (line: NonNullable<typeof label.lines>[number]) =>
    deeds.record([
      {
        kind: 'label-set',
        payload: { ...label, lowG: line.lowG, highG: line.highG, line: line.name, typed: wordsOf(line) },
      },
    ])
  return (
    <div className="mb-3 text-[17px] text-ink-2">
      <p>
        {massInAllUnits((label.lowG + label.highG) / 2).join(' · ')}; the label says {label.typed}
        {label.line ? `, ${label.line}` : ''}.
      </p>
      {label.lines && (
        <fieldset className="mt-1 flex flex-wrap items-center gap-1.5">
          <legend className="float-left mr-2 leading-[46px]">Its lines:</legend>
          {label.lines.map((line) => (
            <button
              key={line.name}
              type="button"
              aria-pressed={line.name === label.line}
              disabled={deeds.busy || line.name === label.line || state.plan !== undefined}
              onClick={() => pick(line)}
              className={`min-h-[46px] rounded border-[1.5px] px-3 text-[17px] text-ink ${line.name === label.line ? 'border-ink bg-deep font-semibold' : 'border-rule-2 bg-sheet'}`}
            >
              {line.name}, {wordsOf(line)}
            </button>
          ))}
        </fieldset>
      )}
    </div>
  )
}

const wordsOf = ({ lowG, highG }: { lowG: number; highG: number }): string =>
  `${Math.round(lowG)}${highG > lowG ? `–${Math.round(highG)}` : ''} g`
