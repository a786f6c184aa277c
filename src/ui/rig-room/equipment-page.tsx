'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { ultimateOf } from '@/core/equipment/assemble'
import { judgeBlankOff, judgeHoseHold } from '@/core/equipment/checks'
import { DEEDS_OF, type EquipmentDeed, type Shelved } from '@/core/equipment/equipment'
import { duesOf } from '@/core/equipment/upkeep'
import { W } from '@/core/language/screen/rig-room'
import { dateTimeIn } from '@/core/units/clock-text'
import { newEventId, send } from '../api'
import { Refused } from '../form/refused'
import { dayIn, micronText } from '../format'
import { useSaid } from '../frame/said'
import type { ShopView } from '../frame/who'
import { useSay } from '../units'
import { slot, Worded } from '../worded'
import { ZoneProvider } from '../zone'
import { DueList } from './due-list'
import { EquipmentForm } from './equipment-form'
import { DEED_WORDS, KINDS_WORDS, specWords } from './equipment-words'
import { GuidedCheck } from './guided-check'

type Props = { item: Shelved; shop: ShopView; mayEdit: boolean; now: number }

/** One piece of equipment: what is due, its guided check, and everything ever done to it. */
export function EquipmentPage({ item, shop, mayEdit, now }: Props) {
  const say = useSay()
  const [editing, setEditing] = useState(false)
  const check = DEEDS_OF[item.kind].find((d) => d === 'blank-off' || d === 'hose-hold')
  return (
    <ZoneProvider timeZone={shop.timeZone}>
      <div className="grid grid-cols-[minmax(0,1fr)_400px] max-lg:grid-cols-1">
        <main className="px-5 py-4 max-sm:px-4">
          <p className="text-small">
            <Link href="/rig-room" className="underline underline-offset-4">
              {W.rigRoom}
            </Link>
            , {KINDS_WORDS[item.kind].one}
          </p>
          <h1 className={`text-call font-semibold leading-tight ${item.retired ? 'line-through' : ''}`}>{item.name}</h1>
          <p className="text-lead">{specWords(item, say)}</p>
          {item.kind === 'pump' && <PumpFacts pump={item} />}
          <div className="mt-2">
            <DueList dues={duesOf(item, now, dayIn(shop.timeZone))} />
          </div>
          <Deeds item={item} />
          {mayEdit && (
            <div className="mt-4">
              <button
                type="button"
                className="min-h-11 text-small underline underline-offset-4"
                onClick={() => setEditing(!editing)}
              >
                {editing ? W.leaveAsItWas : W.changeWhatIsWrittenOf}
              </button>
              {editing && (
                <EquipmentForm kind={item.kind} now={now} item={editable(item)} onDone={() => setEditing(false)} />
              )}
            </div>
          )}
          <History item={item} timeZone={shop.timeZone} />
        </main>
        {check && (
          <aside
            aria-label={W.check}
            className="border-l border-rule bg-sheet p-5 max-lg:border-t max-lg:border-l-0 max-sm:p-4"
          >
            <GuidedCheck item={item} />
          </aside>
        )}
      </div>
    </ZoneProvider>
  )
}

const editable = ({ deeds: _d, use: _u, ...item }: Shelved) => item as never

function PumpFacts({ pump }: { pump: Extract<Shelved, { kind: 'pump' }> }) {
  const reaches = micronText(ultimateOf(pump))
  return (
    <p className="mt-2 text-lead">
      <Worded
        words={W.micronReachedByItself2(
          slot('reaches'),
          reaches === micronText(pump.spec.ultimatePa) ? W.byItsPlateOrIts : W.byItsLastTest,
        )}
        reaches={<b className="figure mr-2 text-fig-m">{reaches}</b>}
      />
    </p>
  )
}

/** What a hand can say it did: one tap, with the time it was. */
function Deeds({ item }: { item: Shelved }) {
  const router = useRouter()
  const [said, setSaid] = useState('')
  const done = useSaid()
  const taps = DEEDS_OF[item.kind].filter((d) => d === 'oil-changed' || d === 'seals-renewed' || d === 'calibrated')
  if (taps.length === 0) return null
  const tap = async (what: (typeof taps)[number]) => {
    const answer = await send('/api/rig-room', {
      what,
      id: newEventId(),
      equipmentId: item.id,
      happenedAt: new Date().toISOString(),
      payload: {},
    })
    setSaid(answer.ok ? '' : answer.message)
    if (!answer.ok) return
    done(W.noted(DEED_WORDS[what]))
    router.refresh()
  }
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3">
      {taps.map((d) => (
        <button key={d} type="button" className="plain-button" onClick={() => void tap(d)}>
          {W.justNow2(DEED_WORDS[d])}
        </button>
      ))}
      <Refused className="text-small">{said}</Refused>
    </div>
  )
}

function History({ item, timeZone }: { item: Shelved; timeZone: string }) {
  const when = dateTimeIn(timeZone)
  const found = item.deeds.map((deed) => ({ deed, figure: figureOf(deed, item) }))
  const most = Math.max(...found.map((f) => f.figure?.value ?? 0))
  return (
    <section aria-label={W.history} className="mt-5">
      <h2 className="border-b border-ink pb-1 text-row font-semibold">{W.history}</h2>
      {item.deeds.length === 0 && <p className="py-2 text-small text-ink-2">{W.nothingNotedYet}</p>}
      <ul>
        {found.map(({ deed, figure }) => (
          <li
            key={deed.id}
            className={
              'grid min-h-11 grid-cols-[170px_130px_minmax(0,1fr)] items-center gap-3 border-b border-rule py-1.5 ' +
              'text-small max-sm:grid-cols-1 max-sm:gap-0'
            }
          >
            <span suppressHydrationWarning>{when(deed.happenedAt)}</span>
            <b className="font-semibold">{DEED_WORDS[deed.kind]}</b>
            <span>
              {figure && (
                <span
                  className="mr-3 inline-block h-[7px] bg-ink align-middle"
                  style={{ width: W.px(Math.max(1, (figure.value / most) * 160)) }}
                  aria-hidden="true"
                />
              )}
              {figure?.text} <span className="text-ink-2">{W.by2(deed.by)}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}

function figureOf(deed: EquipmentDeed, item: Shelved): { value: number; text: string } | null {
  if (deed.kind === 'blank-off' && item.kind === 'pump') {
    const { ultimatePa, verdict } = judgeBlankOff(deed.payload.readings, item.spec)
    return { value: ultimatePa, text: W.micron3(micronText(ultimatePa), verdict.replace('-', ' ')) }
  }
  if (deed.kind === 'hose-hold' && item.kind === 'hose') {
    const { gasPaM3S, verdict } = judgeHoseHold(deed.payload.readings, deed.payload.volumeL, item.spec)
    return {
      value: Math.max(0, gasPaM3S.value),
      text: W.paMS(gasPaM3S.value.toExponential(1), verdict.replace('-', ' ')),
    }
  }
  return null
}
