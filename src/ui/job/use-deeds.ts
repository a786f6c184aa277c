'use client'

import { useMutation } from '@tanstack/react-query'
import { useCallback, useRef, useState } from 'react'
import type { Caution } from '@/core/call/cautions'
import type { Deed } from '@/core/call/types'
import { type ClockSegment, jobTimeMs } from '@/core/job/clock'
import { newEventId, send } from '../api'
import type { Stretch } from '../hooks/use-job-live'
import { serverNow } from '../server-clock'

export type Deeds = {
  /** records deeds, now or so many minutes ago; those that would cost something come back as a question first */
  record: (deeds: Deed[], earlierMin?: number) => void
  /** the same for deeds that carry their own reason; resolves when they are stored */
  recordNow: (deeds: Deed[]) => Promise<void>
  /** a deed with a request of its own: ending a hold, signing, hanging an instrument on */
  request: (path: 'hold-end' | 'sign' | 'instruments', body: Record<string, unknown>) => Promise<void>
  /** cautions that wait for an answer, empty when none */
  pending: Caution[]
  goOn: () => void
  goBack: () => void
  busy: boolean
  refused: string | null
  report: (message: string | null) => void
}

/** No answer came: whether it was recorded nobody knows, so it is sent again, with its own id. */
class Lost extends Error {}

type Sent = { id: string; happenedAt: string; seen: number } & Deed
type Answer = Stretch & { cautions?: Caution[] }

/**
 * Time between two tries of a deed whose answer was lost, ms, and how many: it carries its id, so it is recorded once.
 */
const AGAIN_MS = 1500
const TRIES = 12

/**
 * Records what hands do. Each deed says which events of the job its hand had seen and when it was done; the server
 * judges it under the
 * job's lock, and its answer moves the screen at once.
 * @param seen - events of the job this page knows
 * @param clock - the job's
 * @param take - puts what the answer brings into the page's job
 */
export function useDeeds(
  jobId: string,
  seen: number,
  clock: readonly ClockSegment[],
  take: (stretch: Stretch) => void,
): Deeds {
  const [waiting, setWaiting] = useState<{ sent: Sent[]; cautions: Caution[] } | null>(null)
  const [refused, setRefused] = useState<string | null>(null)
  const { mutateAsync, isPending, failureReason } = useMutation({
    mutationFn: async ({ path, body }: { path: string; body: unknown }) => {
      const answer = await send<Answer>(`/api/jobs/${jobId}/${path}`, body)
      if (!answer.ok && answer.lost) throw new Lost()
      return answer
    },
    retry: TRIES - 1,
    retryDelay: AGAIN_MS,
  })
  const now = useRef({ seen, clock })
  now.current = { seen, clock }
  const post = useCallback(
    async (path: string, body: unknown): Promise<Answer | null> => {
      const from = now.current.seen
      const answer = await mutateAsync({ path, body }).catch((error) => {
        if (!(error instanceof Lost)) throw error
        return null
      })
      if (!answer) {
        setRefused('The server does not answer. Whether it was recorded shows when the line is back.')
        return null
      }
      setRefused(answer.ok ? null : answer.message)
      const brought: Stretch | null = answer.ok ? answer.data : answer.unseen ? { from, events: answer.unseen } : null
      if (brought) {
        take(brought)
        // what is pressed next, in the same breath even, has seen this
        now.current.seen = Math.max(now.current.seen, brought.from + brought.events.length)
      }
      return answer.ok ? answer.data : null
    },
    [mutateAsync, take],
  )
  const stamped = (deeds: Deed[], earlierMin = 0): Sent[] =>
    deeds.map((deed) => ({
      id: newEventId(),
      happenedAt: new Date(Math.round(jobTimeMs(now.current.clock, serverNow()) - earlierMin * 60_000)).toISOString(),
      seen: now.current.seen,
      ...deed,
    }))
  const store = async (sent: Sent[]) => {
    const answer = await post('events', { events: sent })
    if (answer?.cautions) setWaiting({ sent, cautions: answer.cautions })
  }
  const goOn = () => {
    if (!waiting) return
    const passed = stamped(waiting.cautions.map(({ code }): Deed => ({ kind: 'caution-passed', payload: { code } })))
    setWaiting(null)
    void store([...passed, ...waiting.sent])
  }
  return {
    record: (deeds, earlierMin) => void store(stamped(deeds, earlierMin)),
    recordNow: (deeds) => store(stamped(deeds)),
    request: async (path, body) => void (await post(path, { id: newEventId(), seen: now.current.seen, ...body })),
    pending: waiting?.cautions ?? [],
    goOn,
    goBack: () => setWaiting(null),
    busy: isPending,
    refused: isPending && failureReason ? 'The line is away: what you did is sent as soon as it is back.' : refused,
    report: setRefused,
  }
}
