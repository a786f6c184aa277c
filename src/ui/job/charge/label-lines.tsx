'use client'

import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-charge'
import { massInAllUnits } from '@/core/units/mass'
import { Choice } from '../../form/field'
import type { Deeds } from '../use-deeds'

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
    <div className="mb-3 text-body text-ink-2">
      <p>
        {W.theLabelSays2(
          massInAllUnits((label.lowG + label.highG) / 2).join(' · '),
          label.typed,
          label.line ? `, ${label.line}` : '',
        )}
      </p>
      {label.lines && (
        <Choice
          label={W.itsLines}
          value={label.line ?? ''}
          disabled={deeds.busy || state.plan !== undefined}
          options={label.lines.map((line) => ({ value: line.name, label: `${line.name}, ${wordsOf(line)}` }))}
          onChange={(name) => {
            const line = label.lines?.find((l) => l.name === name)
            if (line && name !== label.line) pick(line)
          }}
        />
      )}
    </div>
  )
}

const wordsOf = ({ lowG, highG }: { lowG: number; highG: number }): string =>
  `${Math.round(lowG)}${highG > lowG ? `–${Math.round(highG)}` : ''} g`
