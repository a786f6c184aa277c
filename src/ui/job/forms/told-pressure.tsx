'use client'

import type { JobState } from '@/core/job/state'
import { gaugeHint, readGauge } from '../../form/entries'
import { useSay } from '../../units'
import type { Deeds } from '../use-deeds'
import { SideEntry } from './side-entry'

/** Pressures of this car its label or manual says, each asked where it is used. */
const PRESSURES = {
  switchPaG: {
    unknown: 'The compressor’s switch, where the manual says',
    known: 'Its switch lets it run from',
    label: 'Runs from',
    placeholder: '29 psi',
    intro:
      'The low-pressure switch keeps the compressor off until so much is in. Known, the call says how many ' +
      'grams are missing. Bridging it is a last step of diagnosis, by the service manual, and goes into a note.',
  },
  nitrogenLimitPaG: {
    unknown: 'What the label allows for nitrogen',
    known: 'The label allows nitrogen up to',
    label: 'Up to',
    placeholder: '150 psi',
    intro:
      'The lowest pressure the label or the manual allows on the low side. Known, no sweep and no test goes above it. ' +
      'Dry nitrogen only, through a regulator with a relief valve; never oxygen, never shop air.',
  },
} as const

type Props = { what: keyof typeof PRESSURES; state: JobState; deeds: Deeds }

/** One pressure told of this car, behind a fold; its title says what is known. */
export function ToldPressure({ what, state, deeds }: Props) {
  const say = useSay()
  const { barometerPa } = state.opened.place
  const { unknown, known, label, placeholder, intro } = PRESSURES[what]
  const paG = state[what]
  return (
    <SideEntry
      title={paG === undefined ? unknown : `${known} ${say.pressure(paG)}`}
      intro={intro}
      action="Keep it"
      deeds={deeds}
      fields={[{ name: what, label, placeholder, hint: (text) => gaugeHint(text, barometerPa, say.units) }]}
      read={(v, c) => [
        { kind: 'car-told', payload: { [what]: c.take(what, readGauge(v[what] ?? '', barometerPa, say.units), 0) } },
      ]}
    />
  )
}
