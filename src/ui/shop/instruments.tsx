'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { W } from '@/core/language/screen/shop'
import { type Instrument, KIND_WORDS } from '@/core/shop/instruments'
import { newEventId } from '../api'
import { Refused } from '../form/refused'
import { Sign } from '../form/sign'
import { useSend } from '../form/use-send'
import { useSaid } from '../frame/said'
import { InstrumentForm } from './instrument-form'
import { lastWords } from './instrument-words'
import { TokenTold } from './token-told'

type Token = { id: string; token: string; channel: string; unit: string }

/** The instruments of the shop: what each said last, where it hangs, and its token, told once. */
export function Instruments({ instruments, address }: { instruments: Instrument[]; address: string }) {
  const [adding, setAdding] = useState<string>()
  const [told, setTold] = useState<Token>()
  return (
    <section>
      <div className="mb-2 flex items-end justify-between">
        <h1 className="text-title font-semibold">{W.instruments}</h1>
        <button type="button" className="plain-button" onClick={() => setAdding(newEventId())}>
          {W.newInstrument}
        </button>
      </div>
      <p className="max-w-[760px] text-body">{W.whatReportsByItselfIt}</p>
      {told && <TokenTold {...told} address={address} onDone={() => setTold(undefined)} />}
      <ul className="mt-2 border-t-2 border-ink">
        {adding && (
          <li className="border-b border-rule py-3">
            <InstrumentForm
              key={adding}
              onLeave={() => setAdding(undefined)}
              onDone={(token) => {
                setAdding(undefined)
                setTold(token)
              }}
            />
          </li>
        )}
        {instruments.map((i) => (
          <InstrumentRow key={i.id} instrument={i} onToken={setTold} />
        ))}
        {instruments.length === 0 && !adding && <li className="border-b border-rule py-3 text-body">{W.noneYet}</li>}
      </ul>
    </section>
  )
}

function InstrumentRow({
  instrument,
  onToken,
}: {
  instrument: Instrument
  onToken: (token: Token | undefined) => void
}) {
  const router = useRouter()
  const [editing, setEditing] = useState(false)
  const done = useSaid()
  const { send, busy, said } = useSend('/api/instruments')
  const { id, name, kind, unit, on, odd, withdrawn, calibratedOn } = instrument
  const act = async (what: 'renew' | 'withdraw') => {
    const answer = await send<{ token: string | null }>({ what, id })
    if (!answer) return
    onToken(answer.token ? { id, token: answer.token, channel: instrument.last?.channel ?? kind, unit } : undefined)
    done(what === 'renew' ? W.aNewTokenTheOld : W.withdrawnItsTokenOpensNothing)
    router.refresh()
  }
  if (editing)
    return (
      <li className="border-b border-rule py-3">
        <InstrumentForm instrument={instrument} onLeave={() => setEditing(false)} onDone={() => setEditing(false)} />
      </li>
    )
  return (
    <li
      aria-label={name}
      className={
        'grid grid-cols-[minmax(0,1fr)_minmax(0,1.2fr)_minmax(0,1fr)_auto] items-center gap-x-4 gap-y-1 border-b ' +
        'border-rule py-2.5 text-body max-md:grid-cols-1'
      }
    >
      <p>
        <b className={`block text-row font-semibold leading-tight ${withdrawn ? 'line-through' : ''}`}>{name}</b>
        <span className="text-ink-2">{W.sendsAs2(KIND_WORDS[kind], id)}</span>
      </p>
      <p suppressHydrationWarning>
        {withdrawn ? W.withdrawn : lastWords(instrument)}
        {odd && (
          <span className="block text-small font-medium text-caution">
            <Sign kind="caution" />
            {W.notUsedTheLast2(odd.count, odd.reason)}
          </span>
        )}
      </p>
      <p>
        {on ? W.on(on.car) : <span className="text-ink-2">{W.onNoCar}</span>}
        <span className="block text-small text-ink-2">
          {calibratedOn ? W.calibrated(calibratedOn) : W.noCalibrationTold}
        </span>
      </p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="plain-button text-small" onClick={() => setEditing(true)}>
          {W.change}
        </button>
        <button type="button" className="plain-button text-small" disabled={busy} onClick={() => void act('renew')}>
          {W.newToken}
        </button>
        {!withdrawn && (
          <button
            type="button"
            className="plain-button text-small"
            disabled={busy}
            onClick={() => void act('withdraw')}
          >
            {W.withdraw}
          </button>
        )}
        <Refused className="basis-full text-note empty:hidden">{said}</Refused>
      </div>
    </li>
  )
}
