'use client'

import { useState } from 'react'
import { W } from '@/core/language/screen/sums'
import { newEventId, send } from '../api'

/** A note takes so many characters. */
const MOST = 200

/** What a sum came to, as a line: copied, or noted in a job. */
export function LineOut({ line, jobs }: { line: string; jobs: readonly { id: string; name: string }[] }) {
  const [said, setSaid] = useState('')
  const copy = () =>
    navigator.clipboard
      ? navigator.clipboard.writeText(line).then(
          () => setSaid(W.copied),
          () => setSaid(W.thisBrowserDoesNotCopy),
        )
      : setSaid(W.overPlainHttpNoBrowser)
  const note = async (jobId: string) => {
    const name = jobs.find((j) => j.id === jobId)?.name
    const answer = await send(`/api/jobs/${jobId}/events`, {
      events: [{ id: newEventId(), kind: 'noted', payload: { text: line.slice(0, MOST) } }],
    })
    setSaid(answer.ok ? W.notedIn(name ?? '') : answer.message)
  }
  return (
    <div className="mt-2 text-small">
      <p className="border-l-4 border-ink pl-3">{line}</p>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <button type="button" className="plain-button" onClick={copy}>
          {W.copyTheLine}
        </button>
        {jobs.length > 0 && (
          <select
            aria-label={W.noteItInAJob}
            className="field !w-auto !text-small"
            value=""
            onChange={(e) => void note(e.target.value)}
          >
            <option value="" disabled>
              {W.noteItInAJob2}
            </option>
            {jobs.map((j) => (
              <option key={j.id} value={j.id}>
                {j.name}
              </option>
            ))}
          </select>
        )}
        <span role="status">{said}</span>
      </div>
    </div>
  )
}
