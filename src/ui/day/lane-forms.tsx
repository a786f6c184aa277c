'use client'

import type { DayView } from '@/core/day/view'
import { W } from '@/core/language/screen/day'
import { AwayForm, HoursForm } from './day-forms'
import type { Lane } from './lanes-of'
import type { DayViewer } from './viewer'

/** What is said of a person or a thing: who is away, what is out of use, when somebody works. */
export function LaneForms({
  lane,
  day,
  viewer,
  nowMs,
  timeZone,
  onDone,
}: {
  lane: Lane
  day: DayView
  viewer: DayViewer
  nowMs: number
  timeZone: string
  onDone: () => void
}) {
  const account = lane.kind === 'person' ? lane.id.slice('person '.length) : null
  const thing = account === null ? lane.id.slice(`${lane.kind} `.length) : null
  const own = account === viewer.id
  if (!viewer.mayPlan && !own) return <p className="mt-3 text-body">{W.theLeadOrATechnician}</p>
  return (
    <>
      <AwayForm
        who={{ account, thing }}
        off={day.off.filter((o) => (account !== null ? o.accountId === account : o.thing === thing))}
        nowMs={nowMs}
        timeZone={timeZone}
        thing={thing !== null}
        onDone={onDone}
      />
      {account !== null && viewer.mayPlan && (viewer.lead || own) && (
        <HoursForm account={account} works={day.works[account] ?? null} onDone={onDone} />
      )}
    </>
  )
}
