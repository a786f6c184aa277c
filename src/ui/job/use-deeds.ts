'use client'

import { useCallback, useState } from 'react'
import type { Deed } from '@/core/call/types'
import { type Caution, cautionsBefore } from '@/core/procedure/cautions'
import type { JobEvent } from '@/core/procedure/events'
import { reduceJob } from '@/core/procedure/reduce'
import type { JobState } from '@/core/procedure/state'
import { newEventId, send } from '../api'

export type Deeds = {
  /** records deeds at once, or asks first when they would cost something */
  record: (deeds: Deed[]) => void
  /** records deeds that carry their own reason, without asking; resolves when they are stored */
  recordNow: (deeds: Deed[]) => Promise<void>
  /** cautions that wait for an answer, empty when none */
  pending: Caution[]
  goOn: () => void
  goBack: () => void
  busy: boolean
  refused: string | null
  report: (message: string | null) => void
  setBusy: (busy: boolean) => void
}

/** Cautions of several deeds done one after the other, each on the state the one before left. */
export function cautionsOf(state: JobState, deeds: readonly Deed[]): Caution[] {
  const found: Caution[] = []
  let now = state
  for (const deed of deeds) {
    found.push(...cautionsBefore(now, deed).filter((c) => !found.some((f) => f.code === c.code)))
    now = reduceJob(now, { ...deed, id: '', happenedAt: now.openedAt, storedAt: '', by: '' } as JobEvent)
  }
  return found
}

/** Records what hands do; a costly mistake is named before it is recorded, and passed on with its name if meant. */
export function useDeeds(jobId: string, state: JobState): Deeds {
  const [waiting, setWaiting] = useState<{ deeds: Deed[]; cautions: Caution[] } | null>(null)
  const [busy, setBusy] = useState(false)
  const [refused, setRefused] = useState<string | null>(null)
  const store = useCallback(
    async (deeds: Deed[]) => {
      setBusy(true)
      const events = deeds.map((deed) => ({ id: newEventId(), ...deed }))
      const answer = await send(`/api/jobs/${jobId}/events`, { events })
      setBusy(false)
      setRefused(answer.ok ? null : answer.message)
    },
    [jobId],
  )
  const record = (deeds: Deed[]) => {
    const cautions = cautionsOf(state, deeds)
    if (cautions.length > 0) setWaiting({ deeds, cautions })
    else void store(deeds)
  }
  const goOn = () => {
    if (!waiting) return
    const passed = waiting.cautions.map(({ code }): Deed => ({ kind: 'caution-passed', payload: { code } }))
    setWaiting(null)
    void store([...passed, ...waiting.deeds])
  }
  return { record, recordNow: store, pending: waiting?.cautions ?? [], goOn, goBack: () => setWaiting(null), busy, refused, report: setRefused, setBusy }
}
