'use client'

import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react'
import { inOrder } from '@/core/call/rings-for'
import type { ClockSegment } from '@/core/job/clock'
import { jobTimeMs } from '@/core/job/clock'
import { W } from '@/core/language/screen/alarms'
import type { Ringing } from '@/core/views'
import { newEventId } from '../api'
import { useEventStream } from '../hooks/use-event-stream'
import { useOutbox } from '../outbox/outbox'
import { learnServerTime, serverNow } from '../server-clock'

const LIVE = '/api/alarms/live'
/** What was answered here is left out until the shop's list says so, ms. */
const ANSWERED_MS = 6000

/** What the open page of a car knows of its alarms itself, at once and without a line. */
export type OwnCar = { jobId: string; ringing: readonly Ringing[] }

export type AnswerAlarm = (ring: Ringing, answer: 'seen' | 'snoozed', minutes: number) => void
type AlarmsValue = {
  /** everything that rings in the shop, in the order it is heard */
  ringing: readonly Ringing[]
  /** the car whose page is open here */
  own: OwnCar | null
  answer: AnswerAlarm
  /** a page with a stream of its own tells by it what rings; while one does, no other is opened */
  hear: (ringing: Ringing[]) => void
  joinStream: () => () => void
  showOwn: (own: OwnCar | null) => void
}

const AlarmsContext = createContext<AlarmsValue | null>(null)

export function useAlarms(): AlarmsValue {
  const value = useContext(AlarmsContext)
  if (!value) throw new Error(W.usealarmsBelongsInsideAlarmsprovider)
  return value
}

/** What rings in the shop, on every page of it: told by the page's own stream, or by one for alarms alone. */
export function AlarmsProvider({ first, children }: { first: readonly Ringing[]; children: ReactNode }) {
  const { put } = useOutbox()
  const [told, hear] = useState(first)
  const [streams, setStreams] = useState(0)
  const [settled, setSettled] = useState(false)
  const [own, showOwn] = useState<OwnCar | null>(null)
  const [answered, setAnswered] = useState<readonly string[]>([])
  // pages join theirs before the first look at whether one of our own is needed
  useEffect(() => setSettled(true), [])
  useEventStream(
    settled && streams === 0 ? LIVE : null,
    () => LIVE,
    (data) => {
      const { alarms, serverMs } = data as { alarms: Ringing[]; serverMs: number }
      learnServerTime(serverMs, null)
      hear(alarms)
    },
  )
  const joinStream = useCallback(() => {
    setStreams((n) => n + 1)
    return () => setStreams((n) => n - 1)
  }, [])
  const answer = useCallback<AnswerAlarm>(
    ({ jobId, id, clock }, kind, minutes) => {
      const key = `${jobId} ${id}`
      setAnswered((now) => [...now, key])
      setTimeout(() => setAnswered((now) => now.filter((k) => k !== key)), ANSWERED_MS)
      const payload = { alarm: id, answer: kind, minutes: kind === 'seen' ? 0 : minutes }
      // somebody else may have been quicker: then it is answered, which is all that was wanted
      void put(jobId, {
        kind: 'events',
        events: [{ id: newEventId(), happenedAt: jobNow(clock), kind: 'alarm-answered', payload }],
      })
    },
    [put],
  )
  const value = useMemo((): AlarmsValue => {
    const elsewhere = told.filter((r) => r.jobId !== own?.jobId)
    const open = [...(own?.ringing ?? []), ...elsewhere].filter((r) => !answered.includes(`${r.jobId} ${r.id}`))
    return { ringing: inOrder(open, own?.jobId), own, answer, hear, joinStream, showOwn }
  }, [told, own, answered, answer, joinStream])
  return <AlarmsContext value={value}>{children}</AlarmsContext>
}

const jobNow = (clock: readonly ClockSegment[]): string =>
  new Date(Math.round(clock.length > 0 ? jobTimeMs(clock, serverNow()) : serverNow())).toISOString()

/** A page that is told of alarms by its own stream. @returns where what it is told goes */
export function useAlarmsOfStream(): (ringing: Ringing[]) => void {
  const { hear, joinStream } = useAlarms()
  useEffect(joinStream, [joinStream])
  return hear
}
