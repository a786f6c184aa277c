'use client'

import { useEffect, useRef, useState } from 'react'
import { W } from '@/core/language/screen/hooks'

import { heardFromServer } from '../offline/kept'

/** How the live line stands: open, or what is away and since when (wall ms). */
export type Line = { kind: 'open' } | { kind: 'away'; words: string; sinceMs: number } | { kind: 'signed-out' }

/** Time between two tries to join again, ms: within five seconds of its return a page is live again. */
const RETRY_MS = 1500
/** The server pings every 10 s; a line that says nothing for so long is dead, ms. */
const SILENCE_MS = 25_000

export const SERVER_AWAY = W.theServerDoesNotAnswer

type Health = { ok: boolean; wrong?: { words: string; againAt: string | null } }

/** Why a stream does not come: the server is away, the database is, or the sign-in ended. */
export async function whyNot(): Promise<string | 'signed-out' | null> {
  try {
    const answer = await fetch('/api/health', { cache: 'no-store' })
    const health = (await answer.json()) as Health
    if (!health.ok) return W.theDatabaseIsAway(health.wrong?.words ?? W.itDoesNotAnswer)
    const session = (await (await fetch('/api/session', { cache: 'no-store' })).json()) as { signedIn: boolean }
    return session.signedIn ? null : 'signed-out'
  } catch {
    return SERVER_AWAY
  }
}

/**
 * Server-sent events of `path`, joined again by itself from the last one that came whatever ended the line.
 * @param path - null while none is wanted
 * @param resume - the address to go on from after the message with this id
 * @param onData - what to do with a message; may change from render to render
 */
export function useEventStream(
  path: string | null,
  resume: (lastId: string) => string,
  onData: (data: unknown, id: string) => void,
): Line {
  const [line, setLine] = useState<Line>({ kind: 'open' })
  const handler = useRef(onData)
  handler.current = onData
  const from = useRef(resume)
  from.current = resume
  useEffect(() => {
    if (path === null) return
    const address = path
    let source: EventSource | undefined
    let lastId = ''
    let ended = false
    let retry: ReturnType<typeof setTimeout> | undefined
    let silence: ReturnType<typeof setTimeout> | undefined
    const away = (words: string) =>
      setLine((now) =>
        now.kind === 'away'
          ? now.words === words
            ? now
            : { ...now, words }
          : { kind: 'away', words, sinceMs: Date.now() },
      )
    const opened = () => setLine((now) => (now.kind === 'open' ? now : { kind: 'open' }))
    const heard = () => {
      clearTimeout(silence)
      silence = setTimeout(again, SILENCE_MS)
    }
    const again = () => {
      source?.close()
      clearTimeout(retry)
      if (!ended) retry = setTimeout(open, RETRY_MS)
    }
    const ask = async () => {
      const why = await whyNot()
      if (ended) return
      if (why === 'signed-out') {
        setLine({ kind: 'signed-out' })
        ended = true
        source?.close()
      } else if (why) away(why)
    }
    function open() {
      source = new EventSource(lastId === '' ? address : from.current(lastId))
      source.onopen = heard
      source.onmessage = (message) => {
        heardFromServer()
        heard()
        opened()
        lastId = message.lastEventId
        handler.current(JSON.parse(message.data), lastId)
      }
      source.addEventListener('ping', () => {
        heard()
        opened()
      })
      source.addEventListener('back', opened)
      source.addEventListener('away', () => {
        heard()
        void ask()
      })
      source.addEventListener('signed-out', () => {
        setLine({ kind: 'signed-out' })
        ended = true
        source?.close()
      })
      // closed for good by an answer that is no stream, or joining again by itself: either way we do it, and say what
      // is away
      source.onerror = () => {
        again()
        void ask()
      }
    }
    open()
    return () => {
      ended = true
      clearTimeout(retry)
      clearTimeout(silence)
      source?.close()
    }
  }, [path])
  return line
}
