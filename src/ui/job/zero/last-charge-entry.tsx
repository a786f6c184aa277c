'use client'

import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-zero'
import { massHint, readAmount, readMass } from '../../form/entries'
import { useUnits } from '../../units'
import { SideEntry } from '../forms/side-entry'
import type { Deeds } from '../use-deeds'

/** What was in it and since when: with what is recovered it tells how large the leak is. */
export function LastChargeEntry({ state, deeds }: { state: JobState; deeds: Deeds }) {
  const { lastChargeG, daysSinceCharge } = state.opened.history
  const units = useUnits()
  if (lastChargeG !== null && daysSinceCharge !== null) return null
  return (
    <SideEntry
      title={W.whatWasInItAnd}
      intro={W.withTheGramsRecoveredIt}
      action={W.keepIt}
      deeds={deeds}
      fields={[
        {
          name: 'grams',
          label: W.lastCharge,
          initial: lastChargeG === null ? state.opened.label.typed : `${lastChargeG} g`,
          hint: (text) => massHint(text, units).hint,
        },
        { name: 'days', label: W.thatWasDaysAgo, initial: daysSinceCharge === null ? '' : String(daysSinceCharge) },
      ]}
      read={(v, c) => [
        {
          kind: 'car-told',
          payload: {
            lastChargeG: c.take('grams', readMass(v.grams ?? '', units), 0),
            daysSinceCharge: c.take('days', readAmount(v.days ?? '', W.theDays, 20_000), 0),
          },
        },
      ]}
    />
  )
}
