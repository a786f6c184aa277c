'use client'

import { saturationPa } from '@/core/fluids/refrigerant'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-prove'
import { PA_PER_PSI } from '@/core/units/constants'
import { bothPressures } from '@/core/units/say'
import { kelvin } from '@/core/units/temperature'
import { celsiusHint, gaugeHint, readCelsius, readGauge } from '../../form/entries'
import { useSay } from '../../units'
import { SideEntry } from '../forms/side-entry'
import type { Deeds } from '../use-deeds'

type Props = { state: JobState; deeds: Deeds }

/** The charged system at rest: the one check that shows air. */
export function RestEntry({ state, deeds }: Props) {
  const { barometerPa, ambientC } = state.opened.place
  const { refrigerant } = state.opened.label
  const say = useSay()
  const full = saturationPa(refrigerant, kelvin(ambientC)) - barometerPa
  const stands = W.atWord(bothPressures(full, say), say.celsius(ambientC))
  return (
    <SideEntry
      title={W.atRestForAir}
      intro={W.engineOffUntilEveryPart(refrigerant, stands)}
      action={W.itIsReadAtRest}
      deeds={deeds}
      fields={[
        {
          name: 'rest',
          label: W.bothSidesAtRest,
          hint: (t) => gaugeHint(t, barometerPa, say.units),
          placeholder: say.pressure(full),
        },
        { name: 'ambient', label: W.airAroundIt, initial: `${ambientC} C`, hint: (t) => celsiusHint(t, say.units) },
      ]}
      read={(v, c) => {
        const paG = c.take('rest', readGauge(v.rest ?? '', barometerPa, say.units), 0)
        const ambient = c.take('ambient', readCelsius(v.ambient ?? '', say.units), 0)
        return [{ kind: 'rest-read', payload: { paG, errorPa: PA_PER_PSI, ambientC: ambient } }]
      }}
    />
  )
}
