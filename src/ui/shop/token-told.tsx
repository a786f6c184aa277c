'use client'

import { W } from '@/core/language/screen/shop'

import { ScanCode } from '../frame/scan-code'

type Props = { id: string; token: string; channel: string; unit: string; address: string; onDone: () => void }

/** A token as it is told once: as text, as a code to be scanned, and as a line that sends a first reading. */
export function TokenTold({ id, token, channel, unit, address, onDone }: Props) {
  const facts = JSON.stringify({ address: `${address}/api/ingest`, instrument: id, token, channel, unit })
  const line = W.printfInstrumentSeqDAt(id, channel, unit, token, address)
  return (
    <section
      aria-label={W.tokenToldOnce}
      className={
        'mt-3 grid grid-cols-[minmax(0,1fr)_200px] gap-5 rounded border-[2.5px] border-ink bg-sheet p-4 ' +
        'max-sm:grid-cols-1'
      }
    >
      <div className="min-w-0">
        <h2 className="text-head font-semibold">{W.theTokenOfTold(id)}</h2>
        <p className="mt-1 break-all text-row font-medium" data-testid="token">
          {token}
        </p>
        <p className="mt-2 text-small leading-snug text-ink-2">{W.whoeverHasItCan(id)}</p>
        <code className="mt-1 block break-all text-note leading-snug">{line}</code>
        <button type="button" className="plain-button mt-3" onClick={onDone}>
          {W.itIsWrittenDown}
        </button>
      </div>
      <ScanCode text={facts} size={200} />
    </section>
  )
}
