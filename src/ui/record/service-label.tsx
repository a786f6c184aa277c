'use client'

import { useState } from 'react'
import { W } from '@/core/language/screen/record'
import { type ServiceLabelLine, serviceLabelText } from '@/core/record/service-label'
import { useSaid } from '../frame/said'

/** The label for under the hood as it is printed: ink on white, whatever the theme. */
export function ServiceLabelCard({ lines }: { lines: readonly ServiceLabelLine[] }) {
  return (
    <dl
      aria-label={W.serviceLabel}
      className={
        'grid max-w-[520px] grid-cols-[120px_1fr] gap-x-4 border-[3px] border-black bg-white px-4 py-3 text-body ' +
        'leading-snug text-black'
      }
    >
      {lines.map((l) => (
        <div key={l.name} className="contents">
          <dt>{l.name}</dt>
          <dd className={l.name === W.refrigerant || l.name === W.charged ? 'text-row font-semibold' : 'font-medium'}>
            {l.value}
          </dd>
        </div>
      ))}
    </dl>
  )
}

/** Prints the label alone, or puts its lines on the clipboard. */
export function LabelActions({ lines, href }: { lines: readonly ServiceLabelLine[]; href: string }) {
  const [said, setSaid] = useState('')
  const done = useSaid()
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(serviceLabelText(lines))
      done(W.copied)
    } catch {
      setSaid(W.thisBrowserDoesNotLet)
    }
  }
  return (
    <div className="mt-2 flex flex-wrap items-center gap-2">
      <a href={href} target="_blank" rel="noreferrer" className="plain-button inline-flex items-center">
        {W.printTheLabel}
      </a>
      <button type="button" className="plain-button" onClick={() => void copy()}>
        {W.copyItsLines}
      </button>
      <p role="status" className="text-small">
        {said}
      </p>
    </div>
  )
}
