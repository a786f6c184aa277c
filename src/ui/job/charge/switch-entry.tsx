'use client'

import type { JobState } from '@/core/job/state'
import { gaugeHint, readGauge } from '../../form/entries'
import { useSay } from '../../units'
import { SideEntry } from '../forms/side-entry'
import type { Deeds } from '../use-deeds'

const INTRO =
  'The low-pressure switch keeps the compressor off until so much is in. Known, the call says how many ' +
  'grams are missing. Bridging it is a last step of diagnosis, by the service manual, and goes into a note.'

/** From which pressure on this car's switch lets the compressor run, where its manual says so. */
export function SwitchEntry({ state, deeds }: { state: JobState; deeds: Deeds }) {
  const say = useSay()
  const { barometerPa } = state.opened.place
  const known = state.switchPaG
  return (
    <SideEntry
      title={
        known === undefined
          ? 'The compressor’s switch, where the manual says'
          : `Its switch lets it run from ${say.pressure(known)}`
      }
      intro={INTRO}
      action="Keep it"
      deeds={deeds}
      fields={[
        { name: 'switch', label: 'Runs from', placeholder: '29 psi', hint: (text) => gaugeHint(text, barometerPa) },
      ]}
      read={(v, c) => [
        { kind: 'car-told', payload: { switchPaG: c.take('switch', readGauge(v.switch ?? '', barometerPa), 0) } },
      ]}
    />
  )
}
