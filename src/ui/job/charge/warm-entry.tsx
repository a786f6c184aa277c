'use client'

import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-charge'
import { readAmount } from '../../form/entries'
import { SideEntry } from '../forms/side-entry'
import type { Deeds } from '../use-deeds'

type Props = { state: JobState; deeds: Deeds }

const INTRO = W.aContainerThatGivesVapour

/** Water the container stands in, so that a fading flow comes back. */
export function WarmEntry({ state, deeds }: Props) {
  return (
    <SideEntry
      title={state.warmedC === undefined ? W.warmTheContainer : W.theContainerStandsInWater(state.warmedC)}
      intro={INTRO}
      action={W.itStandsInIt}
      deeds={deeds}
      fields={[{ name: 'water', label: W.waterC, placeholder: '40' }]}
      read={(v, c) => [
        {
          kind: 'container-warmed',
          payload: {
            celsius: c.take('water', readAmount((v.water ?? '').replace(/\s*°?\s*C$/i, ''), W.theWaterInC, 100), 0),
          },
        },
      ]}
    />
  )
}
