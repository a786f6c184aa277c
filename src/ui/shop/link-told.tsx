'use client'

import { toString as qrOf } from 'qrcode'
import { useEffect, useState } from 'react'

/** A link to choose a password by, told once: as text, and as a code a phone reads off the screen. */
export function LinkTold({ name, link, onDone }: { name: string; link: string; onDone: () => void }) {
  const [code, setCode] = useState('')
  const [whole, setWhole] = useState(link)
  useEffect(() => {
    const address = new URL(link, window.location.origin).href
    setWhole(address)
    void qrOf(address, { type: 'svg', margin: 1 }).then(setCode)
  }, [link])
  return (
    <section
      aria-label="Link, told once"
      className="mt-3 grid grid-cols-[minmax(0,1fr)_160px] gap-5 rounded border-[2.5px] border-ink bg-sheet p-4 max-sm:grid-cols-1"
    >
      <div className="min-w-0">
        <h2 className="text-head font-semibold">{name} chooses a password by this link</h2>
        <p className="mt-1 break-all text-lead font-medium" data-testid="link">
          {whole}
        </p>
        <p className="mt-2 text-small leading-snug text-ink-2">
          Told once, used once, good for three days. Lost: make another in the person’s row.
        </p>
        <button type="button" className="plain-button mt-3" onClick={onDone}>
          It is handed over
        </button>
      </div>
      <div
        role="img"
        aria-label="The same as a code to be scanned"
        className="size-[160px] bg-white p-1"
        // biome-ignore lint/security/noDangerouslySetInnerHtml: an SVG drawn by the code's own library from our own link
        dangerouslySetInnerHTML={{ __html: code }}
      />
    </section>
  )
}
