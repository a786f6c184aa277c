'use client'

import { useEffect, useState } from 'react'
import { W } from '@/core/language/screen/frame-page-away'
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
        {why ? W.thisPageCannotBeShown : looked ? W.thisPageFailedOnOur : W.oneMoment}
      </h1>
      <p role="status" className="mt-4 text-row leading-snug">
        {why ?? (looked ? W.nothingThatWasRecordedIs : '')}
      </p>
      {why && (
        <p className="mt-3 text-lead text-ink-2">
          {W.nothingThatWasRecorded(why === SERVER_AWAY ? W.whenItIsBack : W.whenItIsMended)}
        </p>
      )}
      {!why && looked && (
        <button
          type="button"
          className="mt-8 min-h-16 rounded bg-accent px-6 text-head font-semibold text-accent-text"
          onClick={() => window.location.reload()}
        >
          {W.loadItAgain}
        </button>
      )}
    </main>
  )
}
