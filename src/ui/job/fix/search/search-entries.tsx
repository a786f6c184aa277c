'use client'

import { hosesOn } from '@/core/call/search-deeds'
import { NITROGEN_MOST_PA_G } from '@/core/job/leak'
import { nitrogenPaG } from '@/core/job/stage-now'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-fix'
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
        title={W.nitrogenAtAnotherPressure}
        intro={W.upToTheLowerOf(say.pressure(mostPaG))}
        action={W.itIsIn}
        deeds={deeds}
        fields={[
          {
            name: 'at',
            label: W.pressure,
            placeholder: W.n100Psi,
            hint: (text) => gaugeHint(text, barometerPa, say.units),
          },
        ]}
        read={(v, c) => {
          const paG = c.take('at', readGauge(v.at ?? '', barometerPa, say.units), 0)
          if (!c.errors.at && paG > mostPaG) c.errors.at = W.aboveTheThatAreAllowed(say.pressure(mostPaG))
          if (!c.errors.at && paG < LEAST_PA_G) c.errors.at = W.soLittleShowsNothingA
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
      title={W.aPartChargeForThe}
      intro={W.n30To50GAre}
      action={W.keepIt}
      deeds={deeds}
      fields={[
        { name: 'in', label: W.letIn, placeholder: '40 g', hint: (text) => massHint(text, units).hint },
        { name: 'out', label: W.recoveredAgain, placeholder: '38 g', hint: (text) => massHint(text, units).hint },
      ]}
      read={(v, c) => {
        const inG = c.take('in', readMass(v.in ?? '', units), 0)
        const outG = c.take('out', readMass(v.out ?? '', units), 0)
        if (!c.errors.in && !c.errors.out && outG > inG) c.errors.out = W.moreThanWasLetIn
        return [{ kind: 'part-charge', payload: { inG, outG } }]
      }}
    />
  )
}

/** How old the car is: rubber and fins age. */
export function AgeEntry({ state, deeds }: Props) {
  return (
    <SideEntry
      title={state.ageYears === undefined ? W.howOldTheCarIs : W.yearsOld(state.ageYears)}
      intro={W.oldRubberSealsAndFins}
      action={W.keepIt}
      deeds={deeds}
      fields={[{ name: 'age', label: W.years, placeholder: '9' }]}
      read={(v, c) => [
        { kind: 'car-told', payload: { ageYears: c.take('age', readAmount(v.age ?? '', W.itsYears, 80), 0) } },
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
      title={W.chargedAndWeighedAgain}
      intro={W.chargedSomeWeeksAgoAnd(WEIGHED_G)}
      action={W.keepIt}
      deeds={deeds}
      fields={[
        { name: 'was', label: W.chargedThen, placeholder: '540 g', hint: (text) => massHint(text, units).hint },
        { name: 'is', label: W.recoveredNow, placeholder: '480 g', hint: (text) => massHint(text, units).hint },
      ]}
      read={(v, c) => {
        const was = c.take('was', readMass(v.was ?? '', units), 0)
        const is = c.take('is', readMass(v.is ?? '', units), 0)
        const note = W.gThenG(Math.round(was), Math.round(is))
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
