'use client'

import type { JobState } from '@/core/job/state'
import { readAmount } from '../../form/entries'
import { SideEntry } from '../forms/side-entry'
import type { Deeds } from '../use-deeds'

type Props = { state: JobState; deeds: Deeds }

const INTRO =
  'A container that gives vapour cools itself. A bowl of warm water brings the flow back: 50 °C (122 °F) at ' +
  'most, no flame, no heat gun.'

/** Water the container stands in, so that a fading flow comes back. */
export function WarmEntry({ state, deeds }: Props) {
  return (
    <SideEntry
      title={
        state.warmedC === undefined ? 'Warm the container' : `The container stands in water of ${state.warmedC} °C`
      }
      intro={INTRO}
      action="It stands in it"
      deeds={deeds}
      fields={[{ name: 'water', label: 'Water, °C', placeholder: '40' }]}
      read={(v, c) => [
        {
          kind: 'container-warmed',
          payload: {
            celsius: c.take('water', readAmount((v.water ?? '').replace(/\s*°?\s*C$/i, ''), 'the water in °C', 100), 0),
          },
        },
      ]}
    />
  )
}
