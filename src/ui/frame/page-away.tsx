'use client'

import { useEffect, useState } from 'react'
import { SERVER_AWAY, whyNot } from '../hooks/use-event-stream'

/** Time between two looks whether the page can be had again, ms. */
const LOOK_MS = 1500

/** Stands in for a page that could not be had: says what is away, and comes back by itself as soon as it can. */
export function PageAway() {
  const [why, setWhy] = useState<string | null>(null)
  const [looked, setLooked] = useState(false)
  useEffect(() => {
    let away = false
    const look = async () => {
      const words = await whyNot()
      setLooked(true)
      setWhy(words === 'signed-out' ? null : words)
      // what was away is back: the page is asked for anew, from where it stands
      if (words === null || words === 'signed-out') {
        if (away) window.location.reload()
      } else away = true
    }
    void look()
    const timer = setInterval(() => void look(), LOOK_MS)
    return () => clearInterval(timer)
  }, [])
  return (
    <main className="mx-auto max-w-[720px] px-5 py-16">
      <h1 className="text-call font-semibold leading-tight">
        {why ? 'This page cannot be shown just now.' : looked ? 'This page failed on our side.' : 'One moment.'}
      </h1>
      <p role="status" className="mt-4 text-row leading-snug">
        {why ??
          (looked
            ? 'Nothing that was recorded is lost. Load it again; if it fails again, what happened stands in the server’s log.'
            : '')}
      </p>
      {why && (
        <p className="mt-3 text-lead text-ink-2">
          Nothing that was recorded is lost. {why === SERVER_AWAY ? 'When it is back' : 'When it is mended'} this page
          comes by itself; no need to load it again.
        </p>
      )}
      {!why && looked && (
        <button
          type="button"
          className="mt-8 min-h-16 rounded bg-accent px-6 text-head font-semibold text-accent-text"
          onClick={() => window.location.reload()}
        >
          Load it again
        </button>
      )}
    </main>
  )
}
