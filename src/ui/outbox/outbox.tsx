'use client'

import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useRef, useState } from 'react'
import type { Caution } from '@/core/call/cautions'
import { W } from '@/core/language/screen/outbox'
import type { Stretch } from '@/core/views'
import { type Answer, send, sendBody } from '../api'
import { allKept, type Kept, keep, letGo, mark, onKept, takeUpTrying, type What } from './store'

/** Time between two tries while the line is away, ms. */
const AGAIN_MS = 3000
/** Times the server may fail on one thing before it is shown instead of tried again. */
const MOST_FAILED = 20
/** A page that waits for its first answer gives up before this, ms: longer ago it was closed. */
const TRYING_MS = 60_000

type Take = (stretch: Stretch) => void
type OutboxValue = {
  /** everything this device keeps, in the order it was done; whose ever it is */
  kept: readonly Kept[]
  who: string
  signedOut: boolean
  /**
   * Keeps something, sends it, and says what became of it; kept on where no answer came.
   * @param ask - what would have been asked about it, had there been an answer: then it is asked first
   */
  put: <T>(jobId: string, what: What, ask?: () => Caution[]) => Promise<Put<T>>
  /** what an answer brings goes to whoever shows that job */
  onAnswer: (jobId: string, take: Take) => () => void
  drop: (n: number) => void
}

/** What became of something that was put in. */
export type Put<T> = { kind: 'told'; told: Answer<T> } | { kind: 'waits' } | { kind: 'asked'; cautions: Caution[] }

const NONE: readonly Kept[] = []
const refusedOn = async (jobId: string): Promise<boolean> =>
  (await allKept()).some((k) => k.jobId === jobId && k.state === 'refused')
const OutboxContext = createContext<OutboxValue | null>(null)

export function useOutbox(): OutboxValue {
  const value = useContext(OutboxContext)
  if (!value) throw new Error(W.useoutboxBelongsInsideOutboxprovider)
  return value
}

type Waited = { knew: readonly string[] } | undefined

/**
 * Sends something that is kept. A deed that waited says so: it keeps its own time, and what contradicts it is set
 * beside it.
 */
function sendKept<T>(jobId: string, kept: What, waited?: Waited): Promise<Answer<T>> {
  const path = `/api/jobs/${jobId}/${kept.kind}`
  const late = waited && { waited: true, knew: waited.knew }
  switch (kept.kind) {
    case 'events':
      return send(path, { events: kept.events.map((e) => ({ ...e, ...late })) })
    case 'readings':
      // what is read now is read at the server's now, unless it had to wait
      return send(path, { readings: kept.readings.map(({ now, at, ...r }) => (now && !waited ? r : { ...r, at })) })
    case 'hold-end':
    case 'sign': {
      const { id, seen, at } = kept
      const own = kept.kind === 'sign' ? { certificate: kept.certificate } : {}
      return send(path, { id, seen, ...own, ...(late && { ...late, at }) })
    }
    case 'photos': {
      const { id, of, caption, at, image } = kept
      return sendBody(`${path}?${new URLSearchParams({ id, of, caption, ...(late && { at }) })}`, image, 'image/jpeg')
    }
    default: {
      const unknown: never = kept
      return unknown
    }
  }
}

/** A record is not signed over something that was not taken: whoever signs looks once more. */
const AFTER_REFUSED = W.somethingBeforeItWasNot

/**
 * Keeps what is done here until the server has it; sends it in order when the line is back, from whatever page is
 * open.
 */
export function OutboxProvider({ who, whoName, children }: { who: string; whoName: string; children: ReactNode }) {
  const [kept, setKept] = useState(NONE)
  useEffect(() => onKept(setKept), [])
  const [signedOut, setSignedOut] = useState(false)
  const takers = useRef(new Map<string, Set<Take>>())
  const sending = useRef(false)
  const brought = useCallback((jobId: string, data: Stretch) => {
    if (Array.isArray(data?.events)) for (const take of takers.current.get(jobId) ?? []) take(data)
  }, [])
  const flush = useCallback(async () => {
    if (sending.current) return
    sending.current = true
    try {
      await takeUpTrying(Date.now() - TRYING_MS)
      const mine = (await allKept()).filter((k) => k.who === who && k.state === 'waiting')
      for (const entry of mine) {
        if (entry.kind === 'sign' && (await refusedOn(entry.jobId))) {
          await mark(entry.n, { state: 'refused', why: AFTER_REFUSED })
          continue
        }
        const answer = await sendKept<Stretch>(entry.jobId, entry, entry)
        setSignedOut(!answer.ok && answer.signedOut === true)
        if (!answer.ok && (answer.lost || answer.signedOut)) break
        if (answer.ok) {
          brought(entry.jobId, answer.data)
          await letGo(entry.n)
        } else if (answer.failed && (entry.failed ?? 0) < MOST_FAILED) {
          // the server's own failure is no answer to what was done: it is tried again, in its place
          await mark(entry.n, { failed: (entry.failed ?? 0) + 1 })
          break
        } else await mark(entry.n, { state: 'refused', why: answer.message })
      }
    } catch {
      // a browser that forbids storage keeps nothing
    } finally {
      sending.current = false
    }
  }, [who, brought])
  useEffect(() => {
    void flush()
    const again = setInterval(() => void flush(), AGAIN_MS)
    const back = () => void flush()
    addEventListener('online', back)
    return () => {
      clearInterval(again)
      removeEventListener('online', back)
    }
  }, [flush])
  const value = useMemo(
    (): OutboxValue => ({
      kept,
      who,
      signedOut,
      put: async <T,>(jobId: string, what: What, ask: () => Caution[] = () => []): Promise<Put<T>> => {
        const n = await keep({ ...what, jobId, who, whoName, doneAtMs: Date.now(), state: 'trying' })
        const told = await sendKept<T>(jobId, what)
        const away = !told.ok && (told.lost || told.signedOut || told.failed)
        const cautions = away ? ask() : []
        if (away && cautions.length === 0 && n !== null) {
          setSignedOut(!told.ok && told.signedOut === true)
          await mark(n, { state: 'waiting' })
          return { kind: 'waits' }
        }
        await letGo(n)
        return cautions.length > 0 ? { kind: 'asked', cautions } : { kind: 'told', told }
      },
      onAnswer: (jobId, take) => {
        const those = takers.current.get(jobId) ?? new Set()
        takers.current.set(jobId, those.add(take))
        return () => those.delete(take)
      },
      drop: (n) => void letGo(n),
    }),
    [kept, who, whoName, signedOut],
  )
  return <OutboxContext.Provider value={value}>{children}</OutboxContext.Provider>
}
