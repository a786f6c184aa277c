'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { W } from '@/core/language/screen/import'
import { dateTimeIn } from '@/core/units/clock-text'
import type { ImportView } from '@/core/views'
import { send } from '../api'
import { Refused } from '../form/refused'

import { useSaid } from '../frame/said'

/** Files that were brought in; each is taken out again as a whole, asked once more before. */
export function ImportList({ imports, timeZone }: { imports: readonly ImportView[]; timeZone: string }) {
  const [asked, setAsked] = useState<string | null>(null)
  const [refused, setRefused] = useState('')
  const router = useRouter()
  const done = useSaid()
  const at = dateTimeIn(timeZone)
  const withdraw = async ({ id, fileName }: ImportView) => {
    const answer = await send('/api/import', { withdraw: id })
    setAsked(null)
    if (!answer.ok) return setRefused(answer.message)
    done(W.isOutOfTheBook(fileName))
    router.refresh()
  }
  return (
    <section aria-label={W.broughtIn}>
      <h2 className="text-row font-semibold">{W.broughtIn}</h2>
      {imports.length === 0 && <p className="text-body text-ink-2">{W.noFileYet}</p>}
      <ul className="border-t-2 border-ink text-body">
        {imports.map((i) => (
          <li key={i.id} className="border-b border-rule py-2">
            <b className="font-semibold break-words">{i.fileName}</b>
            <span className="block text-small text-ink-2">
              {i.withdrawn === null
                ? W.ofLines(i.by, at(i.at), i.stored, i.lines)
                : W.takenOutAgainBy(i.by, at(i.at), i.withdrawn)}
            </span>
            {i.withdrawn === null &&
              (asked === i.id ? (
                <span className="mt-1 flex gap-2">
                  <button type="button" className="plain-button text-small" onClick={() => void withdraw(i)}>
                    {W.takeAllLinesOut(i.stored)}
                  </button>
                  <button type="button" className="plain-button text-small" onClick={() => setAsked(null)}>
                    {W.leaveItIn}
                  </button>
                </span>
              ) : (
                <button
                  type="button"
                  className="min-h-11 text-small underline underline-offset-4"
                  onClick={() => setAsked(i.id)}
                >
                  {W.takeItOutAgain}
                </button>
              ))}
          </li>
        ))}
      </ul>
      <Refused>{refused}</Refused>
    </section>
  )
}
