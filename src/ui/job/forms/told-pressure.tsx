'use client'

import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-forms'
import { gaugeHint, readGauge } from '../../form/entries'
import { useSay } from '../../units'
import type { Deeds } from '../use-deeds'
import { SideEntry } from './side-entry'

/** Pressures of this car its label or manual says, each asked where it is used. */
const PRESSURES = {
  switchPaG: {
    unknown: W.theCompressorsSwitchWhereThe,
    known: W.itsSwitchLetsItRun,
    label: W.runsFrom,
    placeholder: W.n29Psi,
    intro: W.theLowPressureSwitchKeeps,
  },
  nitrogenLimitPaG: {
    unknown: W.whatTheLabelAllowsFor,
    known: W.theLabelAllowsNitrogenUp,
    label: W.upTo,
    placeholder: W.n150Psi,
    intro: W.theLowestPressureTheLabel,
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
      action={W.keepIt}
      deeds={deeds}
      fields={[{ name: what, label, placeholder, hint: (text) => gaugeHint(text, barometerPa, say.units) }]}
      read={(v, c) => [
        { kind: 'car-told', payload: { [what]: c.take(what, readGauge(v[what] ?? '', barometerPa, say.units), 0) } },
      ]}
    />
  )
}
