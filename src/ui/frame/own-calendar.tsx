'use client'

import { useState } from 'react'
import { W } from '@/core/language/screen/frame-own-calendar'
import { useSend } from '../form/use-send'

/** One's own days for the calendar of a phone: an address that is a secret, and can be withdrawn. */
export function OwnCalendar({ made: first }: { made: boolean }) {
  const [made, setMade] = useState(first)
  const [address, setAddress] = useState<string | null>(null)
  const { send, busy, said } = useSend('/api/day/calendar')
  const ask = async (what: 'make' | 'withdraw') => {
    const answer = await send<{ path: string | null }>({ what })
    if (!answer) return
    setMade(answer.path !== null)
    setAddress(answer.path && `${window.location.origin}${answer.path}`)
  }
  return (
    <section aria-label={W.calendar} className="max-w-[520px]">
      <h2 className="text-row font-semibold">{W.calendar}</h2>
      <p className="mt-1 text-body">{W.whenToComeBackWhich}</p>
      {address && (
        <p className="mt-2">
          <label htmlFor="calendar-address" className="text-small font-medium">
            {W.subscribeToThisAddress}
          </label>
          <input
            id="calendar-address"
            className="field mt-1"
            readOnly
            value={address}
            onFocus={(event) => event.target.select()}
          />
        </p>
      )}
      <div className="mt-3 flex flex-wrap gap-3">
        <button
          type="button"
          className="plain-button bg-sheet font-semibold"
          disabled={busy}
          onClick={() => void ask('make')}
        >
          {made ? W.makeAnotherAddress : W.makeAnAddress}
        </button>
        {made && (
          <button type="button" className="plain-button" disabled={busy} onClick={() => void ask('withdraw')}>
            {W.withdrawIt}
          </button>
        )}
      </div>
      <p role="status" className="mt-2 text-small text-ink-2">
        {said || (made && !address ? W.anAddressWasMadeIt : '')}
      </p>
    </section>
  )
}
