'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import { useForm, useWatch } from 'react-hook-form'
import * as z from 'zod'
import { judgeBlankOff, judgeHoseHold } from '@/core/equipment/checks'
import type { PressureReading, Shelved } from '@/core/equipment/equipment'
import { W } from '@/core/language/screen/rig-room'
import { isGaugeUnit, parsePressure, toPascal } from '@/core/units/pressure'
import { newEventId } from '../api'
import { TextField } from '../form/bound'
import { attempt } from '../form/entries'
import { MainButton } from '../form/main-button'
import { Refused } from '../form/refused'
import { amount, entry } from '../form/schemas'
import { useSending } from '../form/use-sending'
import { micronText } from '../format'

/** A check under way on this device; it survives a reload. */
type Under = { startedAt: number; readings: PressureReading[] }

const STEPS = {
  'blank-off': [
    W.oilBetweenTheMarksExhaust,
    W.vacuumGaugeStraightOntoThe,
    W.startThePumpAndThe,
    W.whenThreeReadingsAgreeThat,
  ],
  'hose-hold': [W.theHoseAloneGaugeAt, W.pullItDownForTen, W.shutTheValveSlowlyThen, W.typeAReadingEveryFew],
} as const

const FEWEST = { 'blank-off': 3, 'hose-hold': 4 } as const

/**
 * Leads through a pump's blank-off test or a hose held alone: steps, clock, readings in any unit, and what they say so
 * far.
 */
export function GuidedCheck({ item }: { item: Shelved }) {
  const kind = item.kind === 'pump' ? 'blank-off' : 'hose-hold'
  const key = `yperos-check-${item.id}`
  const [under, setUnder] = useState<Under | null>(null)
  const [now, setNow] = useState(0)
  useEffect(() => {
    const kept = localStorage.getItem(key)
    if (kept) setUnder(JSON.parse(kept) as Under)
    setNow(Date.now())
    const timer = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(timer)
  }, [key])
  const keep = (next: Under | null) => {
    setUnder(next)
    if (next) localStorage.setItem(key, JSON.stringify(next))
    else localStorage.removeItem(key)
  }
  return (
    <>
      <p className="text-small text-ink-2">{kind === 'blank-off' ? W.blankOffTest : W.holdTheHoseAlone}</p>
      <h2 className="mt-1 text-title font-semibold leading-[1.1]">
        {kind === 'blank-off' ? W.whatDoesThePumpReach : W.whatDoesTheHoseGive}
      </h2>
      <ol className="mt-3 list-decimal space-y-1.5 pl-5 text-body leading-snug">
        {STEPS[kind].map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      {under === null ? (
        <MainButton className="mt-5" onClick={() => keep({ startedAt: Date.now(), readings: [] })}>
          {W.startTheClock}
        </MainButton>
      ) : (
        <Running item={item} kind={kind} under={under} now={now} keep={keep} />
      )}
    </>
  )
}

/** More than the air of any place, Pa. */
const MORE_THAN_AIR_PA = 110_000

/** What the gauge on a part by itself shows: a needle cannot see where such a test ends. */
function shownAlone(text: string): { pa: number; typed: string } {
  const { value, unit } = parsePressure(text, 'micron')
  if (isGaugeUnit(unit) || unit === 'inHg') throw new Error(W.aNeedleSeesNothingDown)
  const pa = toPascal(value, unit)
  if (pa > MORE_THAN_AIR_PA) throw new Error(W.thatIsMoreThanThe)
  return { pa, typed: text.trim() }
}

const Check = z.object({
  shows: entry((text) => attempt(() => shownAlone(text))),
  volume: amount(W.theVolumeInL, 100),
})

type RunningProps = {
  item: Shelved
  kind: 'blank-off' | 'hose-hold'
  under: Under
  now: number
  keep: (next: Under | null) => void
}

function Running({ item, kind, under, now, keep }: RunningProps) {
  const router = useRouter()
  const form = useForm({
    resolver: zodResolver(Check),
    defaultValues: { shows: '', volume: item.kind === 'hose' ? volumeL(item.spec).toFixed(3) : '0' },
  })
  const { post, busy, said } = useSending(form, '/api/rig-room')
  const volume = useWatch({ control: form.control, name: 'volume' })
  const elapsedS = Math.max(0, Math.floor((now - under.startedAt) / 1000))
  const { readings } = under
  const log = form.handleSubmit(({ shows }) => {
    const atS = Math.round((Date.now() - under.startedAt) / 1000)
    keep({ ...under, readings: [...readings, { atS, ...shows }] })
    form.resetField('shows')
  })
  const litres = Number(volume.replace(',', '.'))
  const verdict = readings.length >= FEWEST[kind] ? judged(item, readings, litres) : null
  const finish = async () => {
    const payload = kind === 'blank-off' ? { readings } : { readings, volumeL: litres }
    const answer = await post({
      what: kind,
      id: newEventId(),
      equipmentId: item.id,
      happenedAt: new Date().toISOString(),
      payload,
    })
    if (!answer) return
    keep(null)
    router.refresh()
  }
  return (
    <div className="mt-4 border-t border-rule pt-3">
      <p className="figure text-fig-l" role="timer" aria-label={W.timeSinceTheStart}>
        {Math.floor(elapsedS / 60)}:{String(elapsedS % 60).padStart(2, '0')}
      </p>
      {kind === 'hose-hold' && (
        <TextField
          control={form.control}
          name="volume"
          label={W.volumeOfTheHoseAnd}
          inputMode="decimal"
          hint={W.boreTimesLengthAnd0}
        />
      )}
      <form onSubmit={log} noValidate className="mt-2 grid grid-cols-[1fr_auto] items-start gap-3">
        <TextField control={form.control} name="shows" label={W.theGaugeShowsMicronUnless} hint={W.suchAs46Or6} />
        <button type="submit" className="plain-button mt-7">
          {W.logIt}
        </button>
      </form>
      <ul aria-label={W.readings} className="mt-1 flex flex-wrap gap-x-4 text-small">
        {readings.map((r) => (
          <li key={`${r.atS} ${r.typed}`}>
            {Math.floor(r.atS / 60)}:{String(r.atS % 60).padStart(2, '0')}{' '}
            <b className="font-semibold">{micronText(r.pa)}</b>
          </li>
        ))}
      </ul>
      <p role="status" className="mt-3 text-lead leading-snug">
        {verdict ??
          W.moreReadingBeforeItSays(FEWEST[kind] - readings.length, FEWEST[kind] - readings.length === 1 ? '' : 's')}
      </p>
      <div className="mt-3 flex gap-3">
        <MainButton className="w-auto flex-1" disabled={verdict === null || busy} onClick={() => void finish()}>
          {W.keepTheResult}
        </MainButton>
        <button type="button" className="plain-button" onClick={() => keep(null)}>
          {W.dropIt}
        </button>
      </div>
      <Refused className="mt-2 text-small">{said}</Refused>
    </div>
  )
}

/** Bore volume and what hangs on it, L (gauge and tee assumed 20 mL). */
const volumeL = (hose: { boreM: number; lengthM: number }): number =>
  (Math.PI / 4) * hose.boreM ** 2 * hose.lengthM * 1000 + 0.02

function judged(item: Shelved, readings: readonly PressureReading[], litres: number): string | null {
  if (item.kind === 'pump') return judgeBlankOff(readings, item.spec).words
  if (item.kind === 'hose' && litres > 0) return judgeHoseHold(readings, litres, item.spec).words
  return null
}
