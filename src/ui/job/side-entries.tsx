'use client'

import { saturationPa } from '@/core/fluids/refrigerant'
import type { JobState } from '@/core/job/state'
import { PA_PER_PSI } from '@/core/units/constants'
import { kelvin } from '@/core/units/temperature'
import { celsiusHint, gaugeHint, readAmount, readCelsius, readGauge } from '../form/entries'
import { gaugeText } from '../format'
import type { Collector } from './forms/form-types'
import { SideEntry } from './side-entry'
import type { Deeds } from './use-deeds'

type Props = { state: JobState; deeds: Deeds }

/** How it ran when it came in: what the proof is compared with. */
export function BeforeEntry({ state, deeds }: Props) {
  const { barometerPa, ambientC } = state.opened.place
  const pressure = (text: string) => gaugeHint(text, barometerPa) ?? 'running; may be left out'
  return (
    <SideEntry
      title={
        state.before
          ? `How it ran before: vent ${state.before.ventC.toFixed(1)} °C`
          : 'How it ran before, for the comparison'
      }
      intro="Only where there was refrigerant enough to run it. At the end it stands beside what was proved, and in the words for whoever pays."
      action="Keep it as before"
      deeds={deeds}
      fields={[
        { name: 'vent', label: 'Vent before', hint: celsiusHint, placeholder: '21 C' },
        { name: 'ambient', label: 'Ambient then', initial: `${ambientC} C`, hint: celsiusHint },
        { name: 'low', label: 'Low side before', hint: pressure },
        { name: 'high', label: 'High side before', hint: pressure },
      ]}
      read={(v, c) => {
        const ventC = c.take('vent', readCelsius(v.vent ?? ''), 0)
        const ambient = c.take('ambient', readCelsius(v.ambient ?? ''), 0)
        const optional = (name: string) => (v[name]?.trim() ? c.take(name, readGauge(v[name], barometerPa), 0) : null)
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

/** The charged system at rest: the one check that shows air. */
export function RestEntry({ state, deeds }: Props) {
  const { barometerPa, ambientC } = state.opened.place
  const { refrigerant } = state.opened.label
  const full = saturationPa(refrigerant, kelvin(ambientC)) - barometerPa
  return (
    <SideEntry
      title="At rest, for air"
      intro={`Engine off until every part is as warm as the air. ${refrigerant} with liquid left then stands at ${gaugeText(full)} at ${ambientC} °C: above it there is air inside, below it no liquid is left.`}
      action="It is read at rest"
      deeds={deeds}
      fields={[
        {
          name: 'rest',
          label: 'Both sides at rest',
          hint: (t) => gaugeHint(t, barometerPa),
          placeholder: `${Math.round(full / 1000)} kPa`,
        },
        { name: 'ambient', label: 'Air around it', initial: `${ambientC} C`, hint: celsiusHint },
      ]}
      read={(v, c) => {
        const paG = c.take('rest', readGauge(v.rest ?? '', barometerPa), 0)
        const ambient = c.take('ambient', readCelsius(v.ambient ?? ''), 0)
        return [{ kind: 'rest-read', payload: { paG, errorPa: PA_PER_PSI, ambientC: ambient } }]
      }}
    />
  )
}

/** The maker's own figures for this car: where they are known they lead. */
export function MakerEntry({ state, deeds }: Props) {
  const { barometerPa } = state.opened.place
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
      c.errors[name] = 'type both ends, such as 200 to 300 kPa'
      return undefined
    }
    // a unit behind the second end counts for both
    const unit = /[a-z]+$/i.exec(to.trim())?.[0] ?? ''
    const low = c.take(name, read(/[a-z]/i.test(from) ? from : `${from} ${unit}`), 0)
    const high = c.take(name, read(to), 0)
    if (!c.errors[name] && high < low) c.errors[name] = 'the smaller end first'
    return [low, high]
  }
  const gauge = (t: string) => readGauge(t, barometerPa)
  return (
    <SideEntry
      title={state.makerBands ? 'The maker’s figures lead here; type them anew' : 'The maker’s figures, which lead'}
      intro="From the service manual, for this ambient. What is left empty stays as typical."
      action="Hold it against these"
      deeds={deeds}
      fields={[
        { name: 'low', label: 'The maker’s low side', placeholder: '200 to 300 kPa' },
        { name: 'high', label: 'The maker’s high side', placeholder: '150 to 220 psi' },
        { name: 'vent', label: 'The maker’s vent', placeholder: '4 to 10 C' },
      ]}
      read={(v, c) => {
        const low = span('low', v.low ?? '', c, gauge)
        const high = span('high', v.high ?? '', c, gauge)
        const vent = span('vent', v.vent ?? '', c, readCelsius)
        if (!low && !high && !vent && Object.keys(c.errors).length === 0) c.errors.low = 'type at least one of them'
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

/** Water the container stands in, so that a fading flow comes back. */
export function WarmEntry({ state, deeds }: Props) {
  return (
    <SideEntry
      title={
        state.warmedC === undefined ? 'Warm the container' : `The container stands in water of ${state.warmedC} °C`
      }
      intro="A container that gives vapour cools itself. A bowl of warm water brings the flow back: 50 °C at most, no flame, no heat gun."
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
