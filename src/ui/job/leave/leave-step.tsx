'use client'

import { Toggle } from 'radix-ui'
import { LEAVE_WORDS } from '@/core/call/after'
import { leaveItemsOf } from '@/core/job/sides'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-leave'
import { serviceLabel } from '@/core/record/service-label'
import { Sign } from '../../form/sign'
import { LabelActions, ServiceLabelCard } from '../../record/service-label'
import type { Deeds } from '../use-deeds'

/** Who and where, for the label; and what the pump is due for, in words. */
export type LeaveFacts = {
  jobId: string
  shop: string
  day: string
  by: string
  certificate: string
  pumpDue: string | null
}

/** The closing list, and the label for under the hood as soon as something was charged. */
export function LeaveStep({ state, deeds, facts }: { state: JobState; deeds: Deeds; facts: LeaveFacts }) {
  const lines = serviceLabel(state, facts)
  return (
    <div className="flex flex-wrap items-start gap-x-8 gap-y-4">
      <div className="min-w-[300px] flex-1">
        <LeaveList state={state} deeds={deeds} pumpDue={facts.pumpDue} />
      </div>
      <div className="min-w-[300px] max-w-[440px] flex-1">
        <h3 className="mb-1.5 text-body font-semibold">{W.underTheHood}</h3>
        <ServiceLabelCard lines={lines} />
        <LabelActions lines={lines} href={`/job/${facts.jobId}/label`} />
      </div>
    </div>
  )
}

/** Each line is a tap, and a second tap takes it back. */
function LeaveList({ state, deeds, pumpDue }: { state: JobState; deeds: Deeds; pumpDue: string | null }) {
  const next = leaveItemsOf(state).find((item) => !state.left.includes(item))
  return (
    <ol className="mb-4">
      {leaveItemsOf(state).map((item, i) => {
        const done = state.left.includes(item)
        return (
          <li key={item} className="border-b border-rule">
            <Toggle.Root
              pressed={done}
              disabled={deeds.busy}
              onPressedChange={(tapped) => deeds.record([{ kind: 'leave-tapped', payload: { item, done: tapped } }])}
              className={
                `flex min-h-[50px] w-full items-center gap-4 py-1.5 text-left text-row leading-tight ` +
                `${item === next ? 'font-semibold' : ''}`
              }
            >
              <span
                aria-hidden="true"
                className={
                  `grid size-7 shrink-0 place-items-center border-[2.5px] ` +
                  `${done ? 'border-ink bg-ink text-ground' : item === next ? 'border-ink' : 'border-rule-2'}`
                }
              >
                {done ? <Sign kind="done" size={26} /> : i + 1}
              </span>
              <span>
                {LEAVE_WORDS[item].task}
                {item === 'pump-capped' && pumpDue && (
                  <small className="block text-small font-medium text-caution">
                    <Sign kind="caution" />
                    {pumpDue}
                  </small>
                )}
              </span>
            </Toggle.Root>
          </li>
        )
      })}
    </ol>
  )
}
