'use client'

import type { JobState } from '@/core/job/state'
import { celsiusHint, gaugeHint, readCelsius, readGauge } from '../../form/entries'
import { useSay } from '../../units'
import { SideEntry } from '../forms/side-entry'
import type { Deeds } from '../use-deeds'

type Props = { state: JobState; deeds: Deeds }

const INTRO =
  'Only where there was refrigerant enough to run it. At the end it stands beside what was proved, and in ' +
  'the words for whoever pays.'

/** How it ran when it came in: what the proof is compared with. */
export function BeforeEntry({ state, deeds }: Props) {
  const { barometerPa, ambientC } = state.opened.place
  const say = useSay()
  const warmth = (text: string) => celsiusHint(text, say.units)
  const pressure = (text: string) => gaugeHint(text, barometerPa, say.units) ?? 'running; may be left out'
  return (
    <SideEntry
      title={
        state.before
          ? `How it ran before: vent ${say.celsius(state.before.ventC, 1)}`
          : 'How it ran before, for the comparison'
      }
      intro={INTRO}
      action="Keep it as before"
      deeds={deeds}
      fields={[
        { name: 'vent', label: 'Vent before', hint: warmth, placeholder: '21 C' },
        { name: 'ambient', label: 'Ambient then', initial: `${ambientC} C`, hint: warmth },
        { name: 'low', label: 'Low side before', hint: pressure },
        { name: 'high', label: 'High side before', hint: pressure },
      ]}
      read={(v, c) => {
        const ventC = c.take('vent', readCelsius(v.vent ?? '', say.units), 0)
        const ambient = c.take('ambient', readCelsius(v.ambient ?? '', say.units), 0)
        const optional = (name: string) =>
          v[name]?.trim() ? c.take(name, readGauge(v[name], barometerPa, say.units), 0) : null
        return [
          {
            kind: 'before-read',
            payload: { ventC, ambientC: ambient, lowPaG: optional('low'), highPaG: optional('high') },
          },
        ]
      }}
    />
  )
}
