'use client'

import dynamic from 'next/dynamic'
import { forecastNow } from '@/core/call/live'
import type { Live } from '@/core/call/types'
import type { OnSale } from '@/core/charge/buy'
import { usualChoices } from '@/core/charge/plan-for-job'
import { searchNow } from '@/core/job/search'
import { chargedG, currentHold, currentPull, type JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-instrument'
import { vacuumSeenIn } from '@/core/readings/vacuum-seen'
import type { RuleSaid } from '@/core/schools/rules'
import type { Say } from '@/core/units/say'
import type { CurvePoint } from '@/core/views'
import type { LiveJob } from '../../hooks/use-job-live'
import type { Planned } from '../../hooks/use-plan'
import { useSay, useUnits } from '../../units'
import { ChargeFigures } from '../charge/charge-figures'
import { CountedFigures } from '../charge/counted-figures'
import { CountedForm } from '../charge/counted-form'
import { GrossForm } from '../charge/gross-form'
import { LabelLines } from '../charge/label-lines'
import { PlanForm } from '../charge/plan-form'
import { WhatToBuy } from '../charge/what-to-buy'
import { FixForm } from '../fix/fix-form'
import { LookedEntry } from '../fix/looked-entry'
import { FoundSketch } from '../fix/search/found-sketch'
import { useForms } from '../forms/forms'
import { HoldLens } from '../hold/hold-lens'
import { HoldStands } from '../hold/hold-stands'
import { HoldsCompared } from '../hold/holds-compared'
import { ProofScale } from '../hold/proof-scale'
import { HandedOver } from '../leave/handed-over'
import { type LeaveFacts, LeaveStep } from '../leave/leave-step'
import { SignForm } from '../leave/sign-form'
import { ProveDetails, ProveStep } from '../prove/prove-step'
import { Descent } from '../pull/descent'
import { Gains } from '../pull/gains'
import { PullStands } from '../pull/pull-stands'
import { ReadingsTable } from '../readings/readings-table'
import type { Deeds } from '../use-deeds'
import { AtRest } from '../zero/at-rest'
import { BeforeEntry } from '../zero/before-entry'
import { CarFacts } from '../zero/car-facts'
import { LastChargeEntry } from '../zero/last-charge-entry'
import { ZeroForm } from '../zero/zero-form'
import { Section } from './section'

// few cars are searched for a leak
const SearchStep = dynamic(() => import('../fix/search/search-step').then((m) => m.SearchStep))

type InstrumentProps = {
  state: JobState
  live: Live
  job: LiveJob
  clock: (ms: number) => string
  deeds: Deeds
  planned: Planned | undefined
}
type StepProps = InstrumentProps & { leave: LeaveFacts; onSale: readonly OnSale[] }
type DetailProps = InstrumentProps & { rules: RuleSaid[] | undefined }

/** The step's own instrument, in the middle of the screen; on the phone it stands above the call. */
export function Instrument(props: StepProps) {
  return (
    <div className="max-lg:order-[-9999]">
      <StepInstrument {...props} />
    </div>
  )
}

/**
 * What stands behind the step's instrument: reasons, rules, comparisons, tables; on the phone it stands below the call.
 */
export function StepDetails({ state, live, job, clock, deeds, planned, rules }: DetailProps) {
  const units = useUnits()
  if (state.signed) return null
  switch (state.step) {
    case 'rig':
    case 'pull':
    case 'isolate':
      return (
        <div>
          {state.step === 'pull' && <PullStands advice={live.pull} airPa={state.opened.place.barometerPa} />}
          <Gains planned={planned} forecast={forecastNow(state, job.forecast)} />
          {state.step === 'pull' && (
            <ReadingsTable
              points={pullPoints(state, job.vacuum)}
              clock={clock}
              seen={vacuumSeenIn(state.opened, undefined, units.vacuum)}
            />
          )}
        </div>
      )
    case 'hold':
      return (
        <div>
          <ProofScale state={state} live={live} />
          <HoldStands state={state} live={live} rules={rules} deeds={deeds} clock={clock} />
          <HoldsCompared state={state} vacuum={job.vacuum} nowMs={live.nowMs} />
          <ReadingsTable
            points={holdPoints(state, job.vacuum)}
            clock={clock}
            seen={vacuumSeenIn(state.opened, undefined, units.vacuum)}
          />
        </div>
      )
    case 'prove':
      return <ProveDetails state={state} live={live} job={job} clock={clock} deeds={deeds} />
    default:
      return null
  }
}

function StepInstrument({ state, live, job, clock, deeds, planned, leave, onSale }: StepProps) {
  const { form } = useForms()
  const say = useSay()
  if (state.signed) return <HandedOver state={state} jobId={leave.jobId} />
  if (state.closed)
    return (
      <Section title={W.endedBeforeItsLastStep}>
        <CarFacts state={state} />
        {form === 'sign' && <SignForm />}
      </Section>
    )
  switch (state.step) {
    case 'take-in':
    case 'zero':
      return (
        <Section title={W.zeroCheck}>
          <AtRest state={state} />
          {(form === 'zero' || form === 'recovered') && <ZeroForm state={state} recovering={form === 'recovered'} />}
          <LastChargeEntry state={state} deeds={deeds} />
          <BeforeEntry state={state} deeds={deeds} />
          <CarFacts state={state} />
        </Section>
      )
    case 'fix':
      if (searchNow(state))
        return (
          <Section title={W.whereItLeaks}>
            <SearchStep state={state} live={live} job={job} deeds={deeds} clock={clock} />
          </Section>
        )
      return (
        <Section title={W.whatWasOpenedAndRenewed}>
          <FoundSketch state={state} />
          <FixForm state={state} />
          <LookedEntry state={state} deeds={deeds} clock={clock} />
          <CarFacts state={state} />
        </Section>
      )
    case 'rig':
    case 'pull':
    case 'isolate':
      return (
        <Descent
          state={state}
          live={live}
          vacuum={job.vacuum}
          pump={job.pump}
          clock={clock}
          band={planned?.plan?.band}
        />
      )
    case 'hold':
      return <HoldLens state={state} live={live} vacuum={job.vacuum} clock={clock} />
    case 'charge':
      return (
        <>
          {form === 'plan' && (
            <Section title={planTitle(state, say)}>
              <LabelLines state={state} deeds={deeds} />
              <PlanForm state={state} />
              <WhatToBuy state={state} onSale={onSale} />
              {state.containers.length === 0 && <CountedForm state={state} deeds={deeds} />}
            </Section>
          )}
          {state.counted && <CountedFigures counted={state.counted} />}
          {state.plan && <ChargeFigures state={state} live={live} scale={job.scale} clock={clock} />}
          {form === 'container-start' && <GrossForm starts label={W.grossOnTheScaleHose} />}
          {form === 'container-end' && <GrossForm label={W.grossNowContainerShut} />}
        </>
      )
    case 'prove':
      return <ProveStep state={state} live={live} asking={form === 'proof'} />
    case 'leave':
      return (
        <Section title={W.leaveTheCarAsIt}>
          <LeaveStep state={state} deeds={deeds} facts={leave} />
          {form === 'sign' && <SignForm />}
        </Section>
      )
    default: {
      const unknown: never = state.step
      return unknown
    }
  }
}

/** What is still to be weighed out: the label's weight, or what a charge that was begun still lacks. */
function planTitle(state: JobState, say: Say): string {
  const asked = say.mass(Math.max(0, usualChoices(state).targetG - chargedG(state)))
  return state.containers.length === 0 ? W.toWeighOut(asked) : W.stillToWeighOut(asked)
}

function holdPoints(state: JobState, vacuum: readonly CurvePoint[]): CurvePoint[] {
  const hold = currentHold(state)
  const untilMs = hold?.ended ? Date.parse(hold.ended.at) : Number.POSITIVE_INFINITY
  return hold ? vacuum.filter((p) => p.at >= Date.parse(hold.isolatedAt) && p.at <= untilMs) : []
}

function pullPoints(state: JobState, vacuum: readonly CurvePoint[]): CurvePoint[] {
  const pull = currentPull(state)
  return pull ? vacuum.filter((p) => p.at >= Date.parse(pull.startedAt)) : []
}
