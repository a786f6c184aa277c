'use client'

import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-prove'
import { readCelsius, readGauge } from '../../form/entries'
import { useUnits } from '../../units'
import type { Collector } from '../forms/form-types'
import { SideEntry } from '../forms/side-entry'
import type { Deeds } from '../use-deeds'

type Props = { state: JobState; deeds: Deeds }

/** The maker's own figures for this car: where they are known they lead. */
export function MakerEntry({ state, deeds }: Props) {
  const { barometerPa } = state.opened.place
  const units = useUnits()
  const span = (
    name: string,
    text: string,
    c: Collector,
    read: (t: string) => ReturnType<typeof readGauge>,
  ): [number, number] | undefined => {
    const parts = text.trim().split(/\s*(?:–|\bto\b|(?<=\d)\s*-\s*(?=\d))\s*/)
    if (text.trim() === '') return undefined
    const [from, to] = parts
    if (parts.length !== 2 || !from || !to) {
      c.errors[name] = W.typeBothEndsSuchAs
      return undefined
    }
    // a unit behind the second end counts for both
    const unit = /[a-z]+$/i.exec(to.trim())?.[0] ?? ''
    const low = c.take(name, read(/[a-z]/i.test(from) ? from : `${from} ${unit}`), 0)
    const high = c.take(name, read(to), 0)
    if (!c.errors[name] && high < low) c.errors[name] = W.theSmallerEndFirst
    return [low, high]
  }
  const gauge = (t: string) => readGauge(t, barometerPa, units)
  return (
    <SideEntry
      title={state.makerBands ? W.theMakersFiguresLeadHere : W.theMakersFiguresWhichLead}
      intro={W.fromTheServiceManualFor}
      action={W.holdItAgainstThese}
      deeds={deeds}
      fields={[
        { name: 'low', label: W.theMakersLowSide, placeholder: W.n200To300Kpa },
        { name: 'high', label: W.theMakersHighSide, placeholder: W.n150To220Psi },
        { name: 'vent', label: W.theMakersVent, placeholder: W.n4To10C },
      ]}
      read={(v, c) => {
        const low = span('low', v.low ?? '', c, gauge)
        const high = span('high', v.high ?? '', c, gauge)
        const vent = span('vent', v.vent ?? '', c, (t) => readCelsius(t, units))
        if (!low && !high && !vent && Object.keys(c.errors).length === 0) c.errors.low = W.typeAtLeastOneOf
        return [
          {
            kind: 'maker-bands-set',
            payload: { ...(low && { lowPaG: low }), ...(high && { highPaG: high }), ...(vent && { ventC: vent }) },
          },
        ]
      }}
    />
  )
}
