'use client'

import { useRouter } from 'next/navigation'
import { type FormEvent, type ReactNode, useState } from 'react'
import type { Due } from '@/core/equipment/upkeep'
import { OPENED, type Procedure, type Rig } from '@/core/job/events'
import { FREE_VOLUME_L } from '@/core/rig/free-volume'
import { OPENED_WORDS } from '@/core/words/renewed'
import { newEventId, send } from '../api'
import { massHint, readCelsius } from '../form/entries'
import { Choice, Field } from '../form/field'
import { Sign } from '../form/sign'
import type { ShopView } from '../frame/who'
import { DueList } from '../rig-room/due-list'
import { LabelEntry } from './label-entry'
import { airHint, lineQuestion, type NewCarValues, REFUSED, readNewCar } from './new-car-values'

type Props = {
  shop: ShopView
  procedures: (Procedure & { proves: string })[]
  rigs: (Rig & { id: string; parts?: unknown; missing?: string; dues: Due[] })[]
}

const plainProcedure = ({ name, targetMicron, pullMinutes, holdMinutes }: Procedure): Procedure => ({
  name,
  targetMicron,
  pullMinutes,
  holdMinutes,
})

const plainRig = ({ id: _id, parts: _parts, missing: _missing, dues: _dues, ...rig }: Props['rigs'][number]): Rig => rig

function firstValues(shop: ShopView): NewCarValues {
  return {
    name: '',
    model: '',
    hybrid: false,
    complaint: '',
    refrigerant: 'R-134a',
    charge: '',
    several: 'one',
    lines: [
      { name: '', charge: '' },
      { name: '', charge: '' },
    ],
    picked: 0,
    tolerance: '15 g',
    oilKind: '',
    oilMl: '',
    source: 'label',
    air: shop.altitudeM === null ? `${(shop.barometerPa / 100).toFixed(0)} mbar` : `${shop.altitudeM} m`,
    ambient: `${shop.ambientC} C`,
    opened: 'component',
    openHours: '2',
    drier: 'yes',
    lastCharge: '',
    daysSince: '',
    recovered: '',
    evaporators: '1',
    simulated: shop.demo,
    cameAt: '',
  }
}

/** Takes a car in: what its label says, the air it stands in, and its story. */
export function NewCar({ shop, procedures, rigs }: Props) {
  const router = useRouter()
  const [v, setV] = useState(() => firstValues(shop))
  const [procedureName, setProcedure] = useState(
    procedures.find((p) => p.name.startsWith('Weigh'))?.name ?? procedures[0]?.name ?? '',
  )
  const [rigName, setRig] = useState(rigs.find((r) => r.name.includes('P2'))?.name ?? rigs[0]?.name ?? '')
  const [errors, setErrors] = useState<Record<string, string>>({})
  const [refused, setRefused] = useState('')
  const [busy, setBusy] = useState(false)
  const [asked, setAsked] = useState<string>()
  const [ids] = useState(() => ({ id: newEventId(), eventId: newEventId() }))
  const question = lineQuestion(v)
  const procedure = procedures.find((p) => p.name === procedureName)
  const rig = rigs.find((r) => r.name === rigName)
  const put = <K extends keyof NewCarValues>(key: K, value: NewCarValues[K]) => {
    setV((before) => ({ ...before, [key]: value }))
    setErrors(({ [key]: _mended, ...rest }) => rest)
  }
  const text = (key: keyof NewCarValues) => ({
    value: v[key] as string,
    error: errors[key],
    onChange: (value: string) => put(key, value as never),
  })
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    const read = readNewCar(v, procedure && plainProcedure(procedure), rig && plainRig(rig))
    if ('errors' in read) {
      setErrors(read.errors)
      setRefused(
        `${Object.keys(read.errors).length === 1 ? 'One entry' : 'Some entries'} cannot be taken; the reason stands beside the field.`,
      )
      return
    }
    if (question && asked !== question) {
      setAsked(question)
      setRefused('Look once more at the label’s line; press again to keep it.')
      return
    }
    setBusy(true)
    const answer = await send<{ id: string }>('/api/jobs', {
      ...ids,
      payload: read.payload,
      ...(read.openedAt !== null && { openedAt: read.openedAt }),
    })
    setBusy(false)
    if (answer.ok) router.push(`/job/${answer.data.id}`)
    else setRefused(answer.message)
  }
  const ambient = readCelsius(v.ambient)
  return (
    <form onSubmit={submit} className="grid grid-cols-[minmax(0,1fr)_344px] max-lg:grid-cols-1">
      <main className="space-y-5 px-5 pt-4 pb-6 max-sm:px-4">
        <Block title="Car">
          <Field label="Name people use" {...text('name')} placeholder="Shuttle 4" />
          <Field label="Model" {...text('model')} placeholder="Halvorn Ridge 14" />
          <Field label="Complaint" {...text('complaint')} placeholder="weak cooling for months" />
          <Choice
            label="Drive"
            value={v.hybrid ? 'hybrid' : 'plain'}
            options={[
              { value: 'plain', label: 'engine only' },
              { value: 'hybrid', label: 'hybrid or electric' },
            ]}
            onChange={(x) => put('hybrid', x === 'hybrid')}
          />
        </Block>
        <Block title="Under-hood label">
          <div className="col-span-2 max-sm:col-span-1">
            <Choice
              label="Refrigerant"
              value={v.refrigerant}
              options={(['R-134a', 'R-1234yf', 'R-12', 'R-744'] as const).map((r) => ({ value: r, label: r }))}
              onChange={(x) => put('refrigerant', x)}
            />
            {(errors.refrigerant ?? REFUSED[v.refrigerant]) && (
              <p className="mt-1 text-[15px] font-medium text-leak">
                <Sign kind="fault" />
                {errors.refrigerant ?? REFUSED[v.refrigerant]}
              </p>
            )}
          </div>
          <Choice
            label="Figures from"
            value={v.source}
            options={[
              { value: 'label', label: 'the label' },
              { value: 'manual', label: 'service manual' },
            ]}
            onChange={(x) => put('source', x)}
          />
          <LabelEntry v={v} errors={errors} warning={question} put={put} />
          <Field label="Tolerance ±" {...text('tolerance')} {...massHint(v.tolerance)} />
          <Choice
            label="Evaporators"
            value={v.evaporators}
            options={[
              { value: '1', label: `one, ${FREE_VOLUME_L[1]} L` },
              { value: '2', label: `two, ${FREE_VOLUME_L[2]} L` },
            ]}
            onChange={(x) => put('evaporators', x)}
          />
          <Field
            label="Oil type"
            {...text('oilKind')}
            placeholder="PAG 46"
            hint={v.hybrid ? 'hybrid: only the maker’s non-conducting oil' : undefined}
          />
          <Field label="Oil amount, mL" {...text('oilMl')} inputMode="decimal" />
        </Block>
        <Block title="Place and story">
          <Field label="Altitude or barometer" {...text('air')} hint={airHint(v.air)} />
          <Field
            label="Ambient"
            {...text('ambient')}
            hint={
              'value' in ambient
                ? `${ambient.value.toFixed(1)} °C, ${((ambient.value * 9) / 5 + 32).toFixed(0)} °F`
                : undefined
            }
          />
          <Field label="Open for, hours" {...text('openHours')} inputMode="decimal" />
          <div className="col-span-2 max-sm:col-span-1">
            <Choice
              label="What was opened"
              value={v.opened}
              options={OPENED.map((o) => ({ value: o, label: OPENED_WORDS[o] }))}
              onChange={(x) => put('opened', x)}
            />
          </div>
          <Choice
            label="Drier or accumulator"
            value={v.drier}
            options={[
              { value: 'yes', label: 'replaced' },
              { value: 'no', label: 'kept' },
            ]}
            onChange={(x) => put('drier', x)}
          />
          <Field label="Last known charge" {...text('lastCharge')} {...massHint(v.lastCharge)} />
          <Field label="That was, days ago" {...text('daysSince')} inputMode="decimal" />
          <Field label="Recovered already" {...text('recovered')} {...massHint(v.recovered)} />
        </Block>
      </main>
      <aside
        aria-label="The call"
        className="flex flex-col border-l border-rule bg-sheet p-5 max-lg:border-l-0 max-sm:p-4 lg:sticky lg:top-0 lg:h-[calc(100dvh-44px)] lg:self-start lg:overflow-y-auto"
      >
        <p className="text-[16px] text-ink-2">The call</p>
        <h1 className="mt-1 text-[34px] font-semibold leading-[1.1]">Take it in by its label.</h1>
        <p className="mt-3 text-[18px] leading-snug">
          The right line of the label: engine and evaporators decide which. Label gone: the service manual, and the
          record says so.
        </p>
        <div className="mt-4 space-y-4 border-t border-rule pt-4">
          <Pick
            label="Procedure"
            value={procedureName}
            options={procedures.map((p) => p.name)}
            onChange={setProcedure}
          />
          {procedure && (
            <p className="text-[16px] leading-snug">
              {procedure.targetMicron} micron, about {procedure.pullMinutes} min, hold {procedure.holdMinutes} min.{' '}
              <b className="font-semibold">Proves:</b> {procedure.proves}
            </p>
          )}
          <Pick label="Rig" value={rigName} options={rigs.map((r) => r.name)} onChange={setRig} />
          {rig && (
            <p className="text-[16px] leading-snug text-ink-2">
              {rig.pumpCfm} CFM, {rig.hoses} hoses of {rig.boreMm} mm and {rig.lengthM} m, {rig.gauge} gauge, scale in{' '}
              {rig.scaleStepG} g steps
            </p>
          )}
          {rig?.missing && (
            <p className="text-[16px] font-medium text-leak">
              <Sign kind="fault" />
              {rig.missing}. Put it together anew in the rig room.
            </p>
          )}
          {rig && rig.dues.length > 0 && <DueList dues={rig.dues} />}
          {shop.demo && (
            <label className="flex min-h-11 items-center gap-3 text-[17px]">
              <input
                type="checkbox"
                className="size-6 accent-(--ink)"
                checked={v.simulated}
                onChange={(e) => put('simulated', e.target.checked)}
              />
              On the simulated bench, clock ×60
            </label>
          )}
          {!v.simulated && (
            <label className="block text-[16px] font-medium">
              Came in earlier, at
              <input
                type="datetime-local"
                className="field mt-1"
                value={v.cameAt}
                aria-invalid={errors.cameAt !== undefined}
                onChange={(e) => put('cameAt', e.target.value)}
              />
              <span className={`mt-1 block text-[15px] font-normal ${errors.cameAt ? 'text-leak' : 'text-ink-2'}`}>
                {errors.cameAt ??
                  'left empty: now. For a pull nobody wrote down, up to 14 days back; the record says that it was dated back.'}
              </span>
            </label>
          )}
        </div>
        <div className="mt-auto pt-4">
          <p role="alert" className="mb-2 text-[16px] font-medium text-leak">
            {refused}
          </p>
          <button
            type="submit"
            disabled={busy}
            className="min-h-[68px] w-full rounded bg-accent px-5 text-left text-[25px] font-semibold text-accent-text"
          >
            Take it in
          </button>
          <p className="mt-3 text-[16px] text-ink-2">Then read both gauges at rest.</p>
        </div>
      </aside>
    </form>
  )
}

function Block({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section>
      <h2 className="mb-2 border-b border-rule pb-1 text-[22px] font-semibold">{title}</h2>
      <div className="grid grid-cols-3 items-start gap-x-5 gap-y-1.5 max-md:grid-cols-2 max-sm:grid-cols-1">
        {children}
      </div>
    </section>
  )
}

export function Pick({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: string
  options: readonly string[]
  onChange: (value: string) => void
}) {
  return (
    <label className="block text-[16px] font-medium">
      {label}
      <select className="field mt-1" value={value} onChange={(e) => onChange(e.target.value)}>
        {options.map((o) => (
          <option key={o}>{o}</option>
        ))}
      </select>
    </label>
  )
}
