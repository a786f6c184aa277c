'use client'

import { useEffect, useState } from 'react'
import { W } from '@/core/language/screen/shop'
import { ScanCode } from '../frame/scan-code'

/** A link to choose a password by, told once: as text, and as a code a phone reads off the screen. */
export function LinkTold({ name, link, onDone }: { name: string; link: string; onDone: () => void }) {
  const [whole, setWhole] = useState(link)
  useEffect(() => {
    setWhole(new URL(link, window.location.origin).href)
  }, [link])
  return (
    <section
      aria-label={W.linkToldOnce}
      className={
        'mt-3 grid grid-cols-[minmax(0,1fr)_160px] gap-5 rounded border-[2.5px] border-ink bg-sheet p-4 ' +
        'max-sm:grid-cols-1'
      }
    >
      <div className="min-w-0">
        <h2 className="text-head font-semibold">{W.choosesAPasswordBy(name)}</h2>
        <p className="mt-1 break-all text-lead font-medium" data-testid="link">
          {whole}
        </p>
        <p className="mt-2 text-small leading-snug text-ink-2">{W.toldOnceUsedOnceGood}</p>
        <button type="button" className="plain-button mt-3" onClick={onDone}>
          {W.itIsHandedOver}
        </button>
      </div>
      <ScanCode text={whole} size={160} />
    </section>
  )
}
