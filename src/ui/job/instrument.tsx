'use client'

import { restFinding } from '@/core/call/before'
import { FOUND_SENTENCES, gramsWords } from '@/core/call/hold'
import type { Live } from '@/core/call/types'
import { usualChoices } from '@/core/charge/plan-for-job'
import { chargedG, currentHold, currentPull, type JobState } from '@/core/job/state'
import type { RuleSaid } from '@/core/schools/rules'
import { OPENED_WORDS } from '@/core/words/renewed'
import { gaugeText } from '../format'
import type { CurvePoint, LiveJob } from '../hooks/use-job-live'
import type { Planned } from '../hooks/use-plan'
import { ChargeFigures } from './charge-figures'
import { Descent } from './descent'
import { useForms } from './forms'
import { PlanForm } from './forms/plan-form'
import { FixForm, GrossForm, SignForm, ZeroForm } from './forms/step-forms'
import { Gains } from './gains'
import { HoldLens } from './hold-lens'
import { HoldStands } from './hold-stands'
import { HoldsCompared } from './holds-compared'
import { LabelLines } from './label-lines'
import { type LeaveFacts, LeaveStep } from './leave-step'
import { ProofScale } from './proof-scale'
import { ProveDetails, ProveStep } from './prove-step'
import { PullStands } from './pull-stands'
import { ReadingsTable } from './readings-table'
import { BeforeEntry } from './side-entries'
import type { Deeds } from './use-deeds'

type InstrumentProps = {
  state: JobState
  live: Live
  job: LiveJob
  clock: (ms: number) => string
  deeds: Deeds
  planned: Planned | undefined
}
type StepProps = InstrumentProps & { leave: LeaveFacts }
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
  if (state.signed) return null
  switch (state.step) {
    case 'rig':
    case 'pull':
    case 'isolate':
      return (
        <div>
          {state.step === 'pull' && <PullStands advice={live.pull} />}
          <Gains planned={planned} />
          {state.step === 'pull' && <ReadingsTable points={pullPoints(state, job.vacuum)} clock={clock} />}
        </div>
      )
    case 'hold':
      return (
        <div>
          <ProofScale state={state} live={live} />
          <HoldStands state={state} live={live} rules={rules} deeds={deeds} clock={clock} />
          <HoldsCompared state={state} vacuum={job.vacuum} nowMs={live.nowMs} />
          <ReadingsTable points={holdPoints(state, job.vacuum)} clock={clock} />
        </div>
      )
    case 'prove':
      return <ProveDetails state={state} live={live} job={job} clock={clock} deeds={deeds} />
    default:
      return null
  }
}

function StepInstrument({ state, live, job, clock, deeds, planned, leave }: StepProps) {
  const { form } = useForms()
  if (state.signed) return <Closed state={state} jobId={leave.jobId} />
  switch (state.step) {
    case 'take-in':
    case 'zero':
      return (
        <Section title="Zero check">
          <Rest state={state} />
          {(form === 'zero' || form === 'recovered') && <ZeroForm state={state} recovering={form === 'recovered'} />}
          <BeforeEntry state={state} deeds={deeds} />
          <Label state={state} />
        </Section>
      )
    case 'fix':
      return (
        <Section title="What was opened and renewed">
          <FixForm state={state} />
          <Label state={state} />
        </Section>
      )
    case 'rig':
    case 'pull':
    case 'isolate':
      return <Descent state={state} live={live} vacuum={job.vacuum} clock={clock} band={planned?.plan?.band} />
    case 'hold':
      return <HoldLens state={state} live={live} vacuum={job.vacuum} clock={clock} />
    case 'charge':
      return (
        <>
          {form === 'plan' && (
            <Section title={planTitle(state)}>
              <LabelLines state={state} deeds={deeds} />
              <PlanForm state={state} />
            </Section>
          )}
          {state.plan && <ChargeFigures state={state} live={live} scale={job.scale} clock={clock} />}
          {form === 'container-start' && <GrossForm starts label="Gross on the scale, hose on" />}
          {form === 'container-end' && <GrossForm label="Gross now, container shut" />}
        </>
      )
    case 'prove':
      return <ProveStep state={state} live={live} asking={form === 'proof'} />
    case 'leave':
      return (
        <Section title="Leave the car as it should be">
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
function planTitle(state: JobState): string {
  const g = Math.round(Math.max(0, usualChoices(state).targetG - chargedG(state))).toLocaleString('en')
  return state.containers.length === 0 ? `${g} g to weigh out` : `${g} g still to weigh out`
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

function Section({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="pt-4">
      <h2 className="mb-3 text-[30px] font-semibold leading-tight">{title}</h2>
      {children}
    </section>
  )
}

function Rest({ state }: { state: JobState }) {
  const finding = restFinding(state)
  if (!state.zero || !finding) return null
  const most = Math.max(state.zero.lowPaG, state.zero.highPaG)
  return (
    <div className="mb-4 flex flex-wrap items-end gap-x-10 gap-y-2">
      <p>
        <span className="figure text-[104px] font-semibold max-sm:text-[72px]">{Math.round(most / 1000)}</span>
        <span className="ml-2 text-[30px]">kPa</span>
        <span className="block text-[17px] font-semibold">at rest, above the air here ({gaugeText(most)})</span>
      </p>
      {finding.kind === 'refrigerant' && (
        <p className="text-[17px]">
          <span className="figure text-[52px]">{Math.round(finding.saturationPaG / 1000)}</span> kPa
          <span className="block text-[17px] font-semibold">
            with liquid inside at {Math.round(state.opened.place.ambientC)} °C
          </span>
        </p>
      )}
    </div>
  )
}

function Label({ state }: { state: JobState }) {
  const { label, story, place, history, procedure, volumeL, rig } = state.opened
  const facts = [
    [
      'Label',
      `${label.refrigerant}, ${label.typed}, ${label.oilKind}${label.oilMl === null ? '' : ` ${label.oilMl} mL`}`,
    ],
    [
      'Opened',
      `${OPENED_WORDS[story.opened]}, ${story.openHours} h, drier ${story.drierReplaced ? 'replaced' : 'kept'}`,
    ],
    ['Place', `air ${(place.barometerPa / 1000).toFixed(1)} kPa, ${place.ambientC} °C`],
    ['Procedure', `${procedure.name}: ${procedure.targetMicron} micron, hold ${procedure.holdMinutes} min`],
    ['Rig', `${rig.name}, ${volumeL} L inside (assumed)`],
    ...(history.lastChargeG !== null && history.daysSinceCharge !== null
      ? [['Last charge', `${history.lastChargeG} g, ${history.daysSinceCharge} days ago`]]
      : []),
  ] as [string, string][]
  return (
    <dl className="mt-6 grid max-w-[896px] grid-cols-2 gap-x-8 gap-y-4 border-t-2 border-ink pt-4 max-sm:grid-cols-1">
      {facts.map(([name, value]) => (
        <div key={name}>
          <dt className="text-[16px] text-ink-2">{name}</dt>
          <dd className="text-[21px] font-medium leading-snug">{value}</dd>
        </div>
      ))}
    </dl>
  )
}

/** A car that was handed over: what went in, what its hold proved, who vouches, and the way to its record. */
function Closed({ state, jobId }: { state: JobState; jobId: string }) {
  const hold = currentHold(state)
  const proved = hold?.ended?.provesGramsPerYear
  return (
    <Section title="Handed over">
      <div className="flex flex-wrap items-end gap-x-14 gap-y-4">
        <p>
          <span className="figure text-[104px] font-semibold max-sm:text-[72px]">{Math.round(chargedG(state))}</span>
          <span className="ml-2 text-[30px]">g</span>
          <span className="block text-[17px] font-semibold">
            charged, the label asks for {state.opened.label.typed}
          </span>
        </p>
        <p className="max-w-[420px]">
          <span className="block text-[40px] font-semibold leading-tight">
            {hold?.ended ? FOUND_SENTENCES[hold.ended.verdict] : 'No hold.'}
          </span>
          <span className="block text-[17px] font-semibold">
            {hold?.skipped
              ? `The hold was skipped: ${hold.skipped.why}`
              : proved
                ? `a leak of ${gramsWords(proved)} g a year would have shown`
                : 'nothing was proved'}
          </span>
        </p>
      </div>
      <p className="mt-5 text-[21px]">
        Signed by <b className="font-semibold">{state.signed?.by}</b>, certificate {state.signed?.certificate}.{' '}
        <a href={`/job/${jobId}/record`} className="font-semibold underline">
          Its record
        </a>{' '}
        holds every entry, the readings and the signature.
      </p>
      <Label state={state} />
    </Section>
  )
}
