'use client'

import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-zero'
import { celsiusHint, gaugeHint, readCelsius, readGauge } from '../../form/entries'
import { useSay } from '../../units'
import { SideEntry } from '../forms/side-entry'
import type { Deeds } from '../use-deeds'

type Props = { state: JobState; deeds: Deeds }

const INTRO = W.onlyWhereThereWasRefrigerant

/** How it ran when it came in: what the proof is compared with. */
export function BeforeEntry({ state, deeds }: Props) {
  const { barometerPa, ambientC } = state.opened.place
  const say = useSay()
  const warmth = (text: string) => celsiusHint(text, say.units)
  const pressure = (text: string) => gaugeHint(text, barometerPa, say.units) ?? W.runningMayBeLeftOut
  return (
    <SideEntry
      title={state.before ? W.howItRanBeforeVent(say.celsius(state.before.ventC, 1)) : W.howItRanBeforeFor}
      intro={INTRO}
      action={W.keepItAsBefore}
      deeds={deeds}
      fields={[
        { name: 'vent', label: W.ventBefore, hint: warmth, placeholder: '21 C' },
        { name: 'ambient', label: W.ambientThen, initial: `${ambientC} C`, hint: warmth },
        { name: 'low', label: W.lowSideBefore, hint: pressure },
        { name: 'high', label: W.highSideBefore, hint: pressure },
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
