'use client'

import { hosesOn } from '@/core/call/search-deeds'
import { NITROGEN_MOST_PA_G } from '@/core/job/leak'
import { nitrogenPaG } from '@/core/job/stage-now'
import type { JobState } from '@/core/job/state'
import { gaugeHint, massHint, readAmount, readGauge, readMass } from '../../../form/entries'
import { useSay, useUnits } from '../../../units'
import { SideEntry } from '../../forms/side-entry'
import { ToldPressure } from '../../forms/told-pressure'
import type { Deeds } from '../../use-deeds'

type Props = { state: JobState; deeds: Deeds }

/** What the label allows, and another pressure than the highest that is allowed. */
export function NitrogenEntry({ state, deeds }: Props) {
  const say = useSay()
  const { barometerPa } = state.opened.place
  const mostPaG = nitrogenPaG(state, NITROGEN_MOST_PA_G)
  return (
    <>
      <ToldPressure what="nitrogenLimitPaG" state={state} deeds={deeds} />
      <SideEntry
        title="Nitrogen at another pressure"
        intro={`Up to ${say.pressure(mostPaG)}: the lower of what the label allows and our own limit. More pressure shows smaller leaks.`}
        action="It is in"
        deeds={deeds}
        fields={[
          {
            name: 'at',
            label: 'Pressure',
            placeholder: '100 psi',
            hint: (text) => gaugeHint(text, barometerPa, say.units),
          },
        ]}
        read={(v, c) => {
          const paG = c.take('at', readGauge(v.at ?? '', barometerPa, say.units), 0)
          if (!c.errors.at && paG > mostPaG) c.errors.at = `above the ${say.pressure(mostPaG)} that are allowed here`
          if (!c.errors.at && paG < LEAST_PA_G) c.errors.at = 'so little shows nothing: a pressure above the air'
          return [...hosesOn(state), { kind: 'nitrogen-in', payload: { pressurePaG: paG } }]
        }}
      />
    </>
  )
}
const LEAST_PA_G = 5_000

/** What is let in for a sniffer is weighed, recovered, and stands in the ledger. */
export function PartChargeEntry({ deeds }: { deeds: Deeds }) {
  const units = useUnits()
  return (
    <SideEntry
      title="A part charge for the sniffer"
      intro="30 to 50 g are enough. Both go into the ledger; nothing is vented, and it is recovered before anything is opened."
      action="Keep it"
      deeds={deeds}
      fields={[
        { name: 'in', label: 'Let in', placeholder: '40 g', hint: (text) => massHint(text, units).hint },
        { name: 'out', label: 'Recovered again', placeholder: '38 g', hint: (text) => massHint(text, units).hint },
      ]}
      read={(v, c) => {
        const inG = c.take('in', readMass(v.in ?? '', units), 0)
        const outG = c.take('out', readMass(v.out ?? '', units), 0)
        if (!c.errors.in && !c.errors.out && outG > inG) c.errors.out = 'more than was let in'
        return [{ kind: 'part-charge', payload: { inG, outG } }]
      }}
    />
  )
}

/** How old the car is: rubber and fins age. */
export function AgeEntry({ state, deeds }: Props) {
  return (
    <SideEntry
      title={state.ageYears === undefined ? 'How old the car is' : `${state.ageYears} years old`}
      intro="Old rubber, seals and fins leak more often than new ones."
      action="Keep it"
      deeds={deeds}
      fields={[{ name: 'age', label: 'Years', placeholder: '9' }]}
      read={(v, c) => [
        { kind: 'car-told', payload: { ageYears: c.take('age', readAmount(v.age ?? '', 'its years', 80), 0) } },
      ]}
    />
  )
}

/** A charge weighs so exactly over weeks: the scale, the hose and the recovery together, g (assumed). */
const WEIGHED_G = 20

/** The check that needs weeks: what was charged against what comes out again. */
export function WeighEntry({ deeds }: { deeds: Deeds }) {
  const units = useUnits()
  return (
    <SideEntry
      title="Charged and weighed again"
      intro={`Charged some weeks ago and recovered now: more than ${WEIGHED_G} g less is lost, not measured badly. It says that it leaks, never where.`}
      action="Keep it"
      deeds={deeds}
      fields={[
        { name: 'was', label: 'Charged then', placeholder: '540 g', hint: (text) => massHint(text, units).hint },
        { name: 'is', label: 'Recovered now', placeholder: '480 g', hint: (text) => massHint(text, units).hint },
      ]}
      read={(v, c) => {
        const was = c.take('was', readMass(v.was ?? '', units), 0)
        const is = c.take('is', readMass(v.is ?? '', units), 0)
        const note = `${Math.round(was)} g, then ${Math.round(is)} g`
        return [
          {
            kind: 'leak-checked',
            payload: { check: 'weigh', says: was - is > WEIGHED_G ? 'lost' : 'kept', note },
          },
        ]
      }}
    />
  )
}
