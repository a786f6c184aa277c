'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { formatDistanceStrict } from 'date-fns'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { W } from '@/core/language/screen/shop'
import type { Air } from '@/core/shop/set-up'
import { PA_PER_INHG } from '@/core/units/constants'
import type { Units } from '@/core/units/shown'
import { TextField } from '../form/bound'
import { celsiusHint, readCelsius } from '../form/entries'
import { tellFaults } from '../form/schemas'
import { useSending } from '../form/use-sending'
import { useSaid } from '../frame/said'
import { serverNow } from '../server-clock'
import { AirFields, type AirValues } from '../set-up/air-fields'
import { airBelow, airFrom } from '../set-up/values'
import { useUnits } from '../units'
import { EditRow, NOT_SAVED } from './edit-row'

export type PlaceView = {
  id: string | null
  name: string
  altitudeM: number | null
  barometerPa: number
  ambientC: number
  airAt: string | null
}

/** Where the shop works, and the air there as it was read last: offered at every take-in. */
export function Places({ places }: { places: PlaceView[] }) {
  const [editing, setEditing] = useState<string>()
  return (
    <section>
      <div className="mb-2 flex items-end justify-between">
        <h1 className="text-title font-semibold">{W.placesAndTheirAir}</h1>
        <button type="button" className="plain-button" onClick={() => setEditing('new')}>
          {W.anotherPlace}
        </button>
      </div>
      <ul className="border-t-2 border-ink">
        {editing === 'new' && (
          <li className="border-b border-rule py-3">
            <AirForm onDone={() => setEditing(undefined)} />
          </li>
        )}
        {places.map((place) => {
          const key = place.id ?? 'own'
          return (
            <li key={key} aria-label={place.name} className="border-b border-rule py-2.5">
              {editing === key ? (
                <AirForm place={place} onDone={() => setEditing(undefined)} />
              ) : (
                <PlaceRow place={place} onEdit={() => setEditing(key)} />
              )}
            </li>
          )
        })}
      </ul>
    </section>
  )
}

function PlaceRow({ place, onEdit }: { place: PlaceView; onEdit: () => void }) {
  const { name, altitudeM, barometerPa, ambientC, airAt } = place
  return (
    <div
      className={
        'grid grid-cols-[minmax(0,1fr)_repeat(2,140px)_minmax(0,1fr)_140px] items-center gap-x-4 text-body ' +
        'max-md:grid-cols-2'
      }
    >
      <p className="text-row font-semibold leading-tight">
        {name}
        <span className="block text-body font-normal text-ink-2">
          {altitudeM === null ? W.altitudeNotTold : `${Math.round(altitudeM).toLocaleString('en')} m`}
        </span>
      </p>
      <p className="leading-tight">
        <b className="figure block text-title font-semibold">{(barometerPa / 100).toFixed(0)}</b>
        <span className="text-note text-ink-2">{W.mbarInhg((barometerPa / PA_PER_INHG).toFixed(1))}</span>
      </p>
      <p className="leading-tight">
        <b className="figure block text-title font-semibold">{ambientC.toFixed(0)}</b>
        <span className="text-note text-ink-2">{W.cInTheBay}</span>
      </p>
      <p suppressHydrationWarning className="text-ink-2">
        {airAt === null
          ? W.workedOutFromTheAltitude
          : W.read(formatDistanceStrict(Date.parse(airAt), serverNow(), { addSuffix: true }))}
      </p>
      <button type="button" className="plain-button" onClick={onEdit}>
        {W.theAirNow}
      </button>
    </div>
  )
}

type Values = AirValues & { name: string; ambient: string }
type Told = { name: string; air: Air; ambientC: number }

const Typed = (named: boolean, units: Units) =>
  z.custom<Values>().transform((v, context): Told => {
    const faults: Record<string, string> = {}
    const air = airFrom(v, faults)
    const ambient = readCelsius(v.ambient, units)
    if ('error' in ambient) faults.ambient = ambient.error
    if (named && !v.name.trim()) faults.name = W.aNamePeopleHereUse
    if (Object.keys(faults).length > 0 || !air || 'error' in ambient) return tellFaults(context, faults)
    return { name: v.name.trim(), air, ambientC: ambient.value }
  })

/** The air of a place as it is now, told in one of three ways that are not taken for one another. */
function AirForm({ place, onDone }: { place?: PlaceView; onDone: () => void }) {
  const router = useRouter()
  const units = useUnits()
  const form = useForm<Values, unknown, Told>({
    resolver: zodResolver(Typed(!place, units)),
    defaultValues: {
      name: place?.name ?? '',
      by: place ? 'barometer' : 'altitude',
      altitude: place?.altitudeM == null ? '' : `${place.altitudeM} m`,
      barometer: '',
      ambient: `${place?.ambientC ?? 20} C`,
    },
  })
  const { post, busy, said, say } = useSending(form, '/api/shop')
  const done = useSaid()
  const [asked, setAsked] = useState<string>()
  const save = form.handleSubmit(
    async ({ name, air, ambientC }) => {
      const { warning } = airBelow(form.getValues())
      if (warning && asked !== warning) {
        setAsked(warning)
        say(W.lookOnceMoreAtThe)
        return
      }
      const body = place ? { what: 'air', place: place.id, air, ambientC } : { what: 'new-place', name, air, ambientC }
      if (!(await post(body))) return
      done(W.saved)
      onDone()
      router.refresh()
    },
    () => say(NOT_SAVED),
  )
  const { control } = form
  return (
    <EditRow
      name={place ? W.airOf(place.name) : W.anotherPlace2}
      said={said}
      busy={busy}
      onSubmit={save}
      onLeave={onDone}
    >
      {place ? (
        <p className="text-lead font-semibold">{place.name}</p>
      ) : (
        <TextField control={control} name="name" label={W.nameOfThePlace} placeholder={W.ferryLanding} />
      )}
      <AirFields
        control={control}
        ways={['barometer', 'sea-level', 'altitude']}
        className="col-span-3 max-md:col-span-1"
      />
      <TextField
        control={control}
        name="ambient"
        label={W.temperatureInTheBay}
        below={(t) => ({ hint: celsiusHint(t, units) })}
      />
    </EditRow>
  )
}
