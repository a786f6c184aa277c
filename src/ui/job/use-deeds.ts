'use client'

import { useMutation } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import { type Caution, cautionsBefore } from '@/core/call/cautions'
import type { Deed } from '@/core/call/types'
import { type ClockSegment, jobTimeMs } from '@/core/job/clock'
import type { HoldEnded, JobEvent } from '@/core/job/events'
import { reduceJob } from '@/core/job/reduce'
import { currentHold, type JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job'
import { holdEnded } from '@/core/schools/ended'
import { MINUTE_MS } from '@/core/units/constants'
import type { JudgedHold, Stretch } from '@/core/views'
import { type Answer, newEventId, send } from '../api'
import { useOutbox } from '../outbox/outbox'
import type { SentDeed, What } from '../outbox/store'
import { serverNow } from '../server-clock'

export type Deeds = {
  /** records deeds, now or so many minutes ago; those that would cost something come back as a question first */
  record: (deeds: Deed[], earlierMin?: number) => void
  /** the same for deeds that carry their own reason; resolves when they are stored */
  recordNow: (deeds: Deed[]) => Promise<void>
  /** a deed with a request of its own that needs a line: hanging an instrument on */
  request: (path: 'instruments', body: Record<string, unknown>) => Promise<void>
  /** ends the hold, judged by what this device knows where there is no line */
  endHold: () => Promise<void>
  sign: (certificate: string) => Promise<void>
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

type Answered = Stretch & { cautions?: Caution[] }

/**
 * Time between two tries of a deed whose answer was lost, ms, and how many: it carries its id, so it is recorded once.
 */
const AGAIN_MS = 1500
const TRIES = 12

/**
 * Cautions the page itself knows of deeds, one on the state the one before leaves; for when the server cannot be
 * asked.
 */
function cautionsHere(state: JobState, sent: readonly SentDeed[]): Caution[] {
  const passed = new Set(sent.flatMap((d) => (d.kind === 'caution-passed' ? [d.payload.code] : [])))
  const found: Caution[] = []
  let now = state
  for (const { seen: _s, ...deed } of sent) {
    found.push(...cautionsBefore(now, deed).filter((c) => !passed.has(c.code)))
    now = reduceJob(now, { ...deed, storedAt: deed.happenedAt, by: '' } as JobEvent)
  }
  return found
}

/** What the end of a hold says on a device without a line; the server judges it itself when it is sent. */
function endedHere({ state, judged, vacuum }: Pick<Page, 'state' | 'judged' | 'vacuum'>, at: string): HoldEnded {
  const hold = currentHold(state)
  const samples = vacuum.filter((p) => hold && p.at >= Date.parse(hold.isolatedAt) && p.at <= Date.parse(at)).length
  const heldS = hold ? Math.max(0, (Date.parse(at) - Date.parse(hold.isolatedAt)) / 1000) : 0
  if (judged) return holdEnded(state, judged, heldS, samples)
  const words = W.nothingWasJudgedWithoutA
  return {
    verdict: 'undecided',
    leak: 0.5,
    damp: 0.5,
    risePaS: null,
    provesGramsPerYear: null,
    leakGramsPerYear: null,
    heldS,
    samples,
    reasons: [words],
  }
}

type Page = {
  jobId: string
  /** the job as this page shows it, what waits here included */
  state: JobState
  /** events of the job the server told this page */
  seen: number
  clock: readonly ClockSegment[]
  /** what is found of the running hold by now */
  judged: JudgedHold | null
  /** what was read of its vacuum, job time ms */
  vacuum: readonly { at: number }[]
  /** puts what an answer brings into the page's job */
  take: (stretch: Stretch) => void
}

/**
 * Records what hands do. Each deed says which events of the job its hand had seen and when it was done; the server
 * judges it under the job's lock, and its answer moves the screen at once. Where no answer comes it is kept on this
 * device, shown as done, and sent when the line is back.
 */
export function useDeeds({ jobId, state, seen, clock, judged, vacuum, take }: Page): Deeds {
  const box = useOutbox()
  const { onAnswer } = box
  useEffect(() => onAnswer(jobId, take), [onAnswer, jobId, take])
  const [trying, setTrying] = useState(0)
  const [waiting, setWaiting] = useState<{ sent: SentDeed[]; cautions: Caution[] } | null>(null)
  const [refused, setRefused] = useState<string | null>(null)
  const { mutateAsync, isPending, failureReason } = useMutation({
    mutationFn: async ({ path, body }: { path: string; body: unknown }) => {
      const answer = await send<Answered>(`/api/jobs/${jobId}/${path}`, body)
      if (!answer.ok && answer.lost) throw new Lost()
      return answer
    },
    retry: TRIES - 1,
    retryDelay: AGAIN_MS,
  })
  const now = useRef({ seen, clock, state, judged, vacuum })
  now.current = { seen, clock, state, judged, vacuum }
  const takeIn = useCallback(
    (from: number, answer: Answer<Answered>) => {
      const brought: Stretch | null = answer.ok ? answer.data : answer.unseen ? { from, events: answer.unseen } : null
      if (!brought) return
      take(brought)
      // what is pressed next, in the same breath even, has seen this
      now.current.seen = Math.max(now.current.seen, brought.from + brought.events.length)
    },
    [take],
  )
  const post = useCallback(
    async (path: string, body: unknown): Promise<Answered | null> => {
      const from = now.current.seen
      const answer = await mutateAsync({ path, body }).catch((error) => {
        if (!(error instanceof Lost)) throw error
        return null
      })
      if (!answer) {
        setRefused(W.theServerDoesNotAnswer)
        return null
      }
      setRefused(answer.ok ? null : answer.message)
      takeIn(from, answer)
      return answer.ok ? answer.data : null
    },
    [mutateAsync, takeIn],
  )
  const jobNow = () => new Date(Math.round(jobTimeMs(now.current.clock, serverNow()))).toISOString()
  const stamped = (deeds: Deed[], earlierMin = 0): SentDeed[] =>
    deeds.map((deed) => ({
      id: newEventId(),
      happenedAt: new Date(
        Math.round(jobTimeMs(now.current.clock, serverNow()) - earlierMin * MINUTE_MS),
      ).toISOString(),
      seen: now.current.seen,
      ...deed,
    }))
  /** puts something into the outbox, and what became of it onto the screen */
  const put = async (what: What, ask?: () => Caution[]) => {
    setTrying((n) => n + 1)
    const from = now.current.seen
    const answer = await box.put<Answered>(jobId, what, ask)
    setTrying((n) => n - 1)
    if (answer.kind === 'told') {
      setRefused(answer.told.ok ? null : answer.told.message)
      takeIn(from, answer.told)
    } else setRefused(null)
    return answer
  }
  const store = async (sent: SentDeed[]) => {
    const answer = await put({ kind: 'events', events: sent }, () => cautionsHere(now.current.state, sent))
    if (answer.kind === 'asked') setWaiting({ sent, cautions: answer.cautions })
    if (answer.kind === 'told') {
      const { told } = answer
      if (told.ok && told.data.cautions) setWaiting({ sent, cautions: told.data.cautions })
    }
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
    endHold: async () => {
      const at = jobNow()
      const ended = endedHere(now.current, at)
      await put({ kind: 'hold-end', id: newEventId(), seen: now.current.seen, at, ended })
    },
    sign: async (certificate) =>
      void (await put({ kind: 'sign', id: newEventId(), seen: now.current.seen, at: jobNow(), certificate })),
    pending: waiting?.cautions ?? [],
    goOn,
    goBack: () => setWaiting(null),
    busy: isPending || trying > 0,
    refused: isPending && failureReason ? W.theLineIsAwayWhat : refused,
    report: setRefused,
  }
}
