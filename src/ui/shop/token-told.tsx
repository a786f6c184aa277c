'use client'

import { ScanCode } from '../frame/scan-code'

type Props = { id: string; token: string; channel: string; unit: string; address: string; onDone: () => void }

/** A token as it is told once: as text, as a code to be scanned, and as a line that sends a first reading. */
export function TokenTold({ id, token, channel, unit, address, onDone }: Props) {
  const facts = JSON.stringify({ address: `${address}/api/ingest`, instrument: id, token, channel, unit })
  const line =
    `printf '{"instrument":"${id}","seq":%d,"at":"%s","channel":"${channel}","value":0,"unit":"${unit}"}\\n' ` +
    `"$(date +%s)" "$(date -u +%FT%TZ)" | curl -H 'Authorization: Bearer ${token}' --data-binary @- ${address}/api/ingest`
  return (
    <section
      aria-label="Token, told once"
      className="mt-3 grid grid-cols-[minmax(0,1fr)_200px] gap-5 rounded border-[2.5px] border-ink bg-sheet p-4 max-sm:grid-cols-1"
    >
      <div className="min-w-0">
        <h2 className="text-head font-semibold">The token of {id}, told once</h2>
        <p className="mt-1 break-all text-row font-medium" data-testid="token">
          {token}
        </p>
        <p className="mt-2 text-small leading-snug text-ink-2">
          Whoever has it can send readings as {id}. Only its print is kept here: lost, it is made anew. A first reading
          from a shell:
        </p>
        <code className="mt-1 block break-all text-note leading-snug">{line}</code>
        <button type="button" className="plain-button mt-3" onClick={onDone}>
          It is written down
        </button>
      </div>
      <ScanCode text={facts} size={200} />
    </section>
  )
}
