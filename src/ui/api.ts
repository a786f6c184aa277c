import { v4 as uuid } from 'uuid'
import type { JobEvent } from '@/core/job/events'
import { W } from '@/core/language/screen/api'
import { learnServerTime } from './server-clock'

/**
 * What a request brought: data, or the reason it was refused with the place of every fault; `lost` where nobody knows
 * whether it was recorded, `unseen` what happened meanwhile.
 */
export type Answer<T> =
  | { ok: true; data: T }
  | {
      ok: false
      message: string
      faults: { path: string; reason: string }[]
      lost?: true
      /** the server itself failed: what was sent may be right */
      failed?: true
      signedOut?: true
      unseen?: JobEvent[]
    }

/** Sends JSON to our own server; a lost line is an answer too, so that nobody types into the void. */
export const send = <T = unknown>(path: string, body: unknown): Promise<Answer<T>> =>
  sendBody(path, JSON.stringify(body), 'application/json')

/** The same for bytes, such as a photograph. */
export async function sendBody<T = unknown>(path: string, body: BodyInit, type: string): Promise<Answer<T>> {
  try {
    const sentMs = Date.now()
    const response = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': type },
      body,
    })
    const data = await response.json()
    if (typeof data.serverMs === 'number') learnServerTime(data.serverMs, sentMs)
    return response.ok
      ? { ok: true, data: data as T }
      : {
          ok: false,
          message: data.message,
          faults: data.faults ?? [],
          ...(data.unseen && { unseen: data.unseen as JobEvent[] }),
          ...(data.error === 'away' && { lost: true as const }),
          ...(response.status >= 500 && data.error !== 'away' && { failed: true as const }),
          ...(response.status === 401 && { signedOut: true as const }),
        }
  } catch {
    return {
      ok: false,
      message: W.theServerDoesNotAnswer,
      faults: [],
      lost: true,
    }
  }
}

/** A number for readings sent by hand, so that sending twice is harmless; room for a file's rows above it. */
export const newSequence = (): number => Math.floor(Math.random() * 9e14)

/** A fresh id for an event, made where the deed is done; on plain http too, where the browser itself makes none. */
export const newEventId = (): string => uuid()
