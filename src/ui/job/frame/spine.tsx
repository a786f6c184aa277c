import { Check } from 'lucide-react'
import { currentHold, currentPull, type JobState } from '@/core/job/state'
import { STEP_NAMES, STEPS, type Step, stepNumber } from '@/core/job/steps'
import { W } from '@/core/language/screen/job-frame'
import { MINUTE_MS } from '@/core/units/constants'
import type { Say } from '@/core/units/say'
import { Hint } from '../../frame/hint'
import { useSay } from '../../units'

type Props = { state: JobState; clock: (ms: number) => string; nowMs: number; factor: number }

/** The ten steps left to right with their times; the one that is now is a block. */
export function Spine({ state, clock, nowMs, factor }: Props) {
  const { car, label } = state.opened
  return (
    <section
      aria-label={W.steps}
      className={
        'flex min-h-[84px] items-center border-b border-rule px-5 max-lg:flex-wrap max-lg:gap-y-2 max-lg:py-2 ' +
        'max-sm:px-4'
      }
    >
      <div className="w-[212px] shrink-0 pr-3 max-sm:w-auto max-sm:flex-1">
        <h1 className="truncate text-act font-semibold leading-tight">{car.name}</h1>
        <p className="truncate text-small text-ink-2">
          {[car.model, car.plate, label.refrigerant].filter(Boolean).join(', ')}
        </p>
        {factor > 1 && (
          <p className="text-note font-medium text-caution" suppressHydrationWarning>
            {W.simulatedClock(factor, clock(nowMs))}
          </p>
        )}
      </div>
      <ol className="flex flex-1 items-center max-sm:w-full max-sm:flex-none max-sm:gap-1">
        {STEPS.map((step) => (
          <StepMark key={step} step={step} state={state} clock={clock} nowMs={nowMs} />
        ))}
      </ol>
    </section>
  )
}

function StepMark({
  step,
  state,
  clock,
  nowMs,
}: {
  step: Step
  state: JobState
  clock: (ms: number) => string
  nowMs: number
}) {
  const say = useSay()
  const now = state.step === step && !state.signed
  const visits = state.visits.filter((v) => v.step === step)
  const done = !now && visits.some((v) => v.endedAt) && stepNumber(step) <= stepNumber(state.step)
  if (now) {
    return (
      <li
        aria-current="step"
        className="w-[200px] shrink-0 rounded bg-ink px-3.5 py-1.5 text-ground max-lg:w-auto max-sm:px-2 max-sm:py-0.5"
      >
        <b className="block whitespace-nowrap text-head font-semibold leading-tight max-sm:text-small">
          {stepNumber(step)} {STEP_NAMES[step]}
          {nth(step, state)}
        </b>
        <span className="block whitespace-nowrap text-small opacity-80 max-lg:hidden" suppressHydrationWarning>
          {factOf(state, clock, nowMs, say)}
        </span>
      </li>
    )
  }
  const last = visits[visits.length - 1]
  return (
    <Hint words={`${stepNumber(step)} ${STEP_NAMES[step]}${done ? W.done2 : W.toCome}`}>
      <li
        className={
          'relative min-w-0 flex-1 [[aria-current=step]+&]:ml-3 max-sm:h-2.5 ' + 'max-sm:[[aria-current=step]+&]:ml-0'
        }
      >
        <span
          aria-hidden="true"
          className={`block h-0 max-sm:hidden ${done ? 'border-t-[5px] border-ink' : 'border-t-2 border-rule-2'}`}
        />
        <span
          aria-hidden="true"
          className={
            `absolute -top-1.5 left-0.5 grid size-[15px] place-items-center border-[2.5px] border-ink ` +
            `max-sm:static max-sm:h-2.5 max-sm:w-full ${done ? 'bg-ink' : 'border-rule-2 bg-ground'}`
          }
        >
          {done && <Check size={11} strokeWidth={4} className="text-ground max-sm:hidden" aria-hidden="true" />}
        </span>
        <span className={`mt-2.5 block truncate text-note max-lg:sr-only ${done ? 'font-semibold' : 'text-ink-2'}`}>
          {STEP_NAMES[step]}
          <span className="sr-only">{done ? W.done2 : W.toCome}</span>
        </span>
        <span className="block h-5 truncate text-note text-ink-2 max-lg:hidden" suppressHydrationWarning>
          {done && last ? `${clock(Date.parse(last.startedAt))}${visits.length > 1 ? `, ×${visits.length}` : ''}` : ''}
        </span>
      </li>
    </Hint>
  )
}

function nth(step: Step, state: JobState): string {
  const times = state.visits.filter((v) => v.step === step).length
  const word = ['', '', W.second, W.third][times] ?? W.th(times)
  return step === 'pull' || step === 'hold' ? word : ''
}

function factOf(state: JobState, clock: (ms: number) => string, nowMs: number, say: Say): string {
  const pull = currentPull(state)
  if (state.step === 'pull' && pull && !pull.endedAt)
    return W.minIn(Math.max(0, Math.floor((nowMs - Date.parse(pull.startedAt)) / MINUTE_MS)))
  const hold = currentHold(state)
  if (state.step === 'hold' && hold && !hold.ended) {
    const held = Math.max(0, Math.floor((nowMs - Date.parse(hold.isolatedAt)) / MINUTE_MS))
    return W.ofMinTo(held, hold.plannedMinutes, clock(Date.parse(hold.isolatedAt) + hold.plannedMinutes * MINUTE_MS))
  }
  if (state.step === 'charge' && state.plan) return W.to(say.mass(state.plan.targetG))
  const visit = state.visits[state.visits.length - 1]
  return visit ? W.since(clock(Date.parse(visit.startedAt))) : ''
}
