'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { useForm, useWatch } from 'react-hook-form'
import type { KnownCar } from '@/core/book/known-car'
import type { Procedure, Rig } from '@/core/job/written'
import { W } from '@/core/language/screen/new-car'
import { USUAL_SCHOOL } from '@/core/schools/schools'
import { newEventId } from '../api'
import { useSending } from '../form/use-sending'
import { localTimeIn, localTimeMs } from '../format'
import type { ShopView } from '../frame/who'
import { serverNow } from '../server-clock'
import type { PlaceView } from '../shop/places'
import { useUnits } from '../units'
import { LabelCard } from './label-card'
import { NewCarCall } from './new-car-call'
import { OpenedBlock } from './opened-block'
import { RestBlock } from './rest-block'
import {
  lineQuestion,
  type NewCarValues,
  newCarForm,
  type ProcedureChoice,
  type RigChoice,
  rigOffered,
  valuesOfCar,
} from './values'
import { WhoBlock } from './who-block'

type Props = {
  shop: ShopView
  procedures: ProcedureChoice[]
  rigs: RigChoice[]
  cars: KnownCar[]
  places: [PlaceView, ...PlaceView[]]
  /** the car this one was expected as */
  expected: ExpectedCar | null
  /** the car of the shop that is taken in again */
  again: KnownCar | null
}

/** A car that was told to come. */
export type ExpectedCar = { id: string; name: string; model: string; promisedMs: number | null }

const plainProcedure = ({ name, targetPa, pullMinutes, holdMinutes }: Procedure): Procedure => ({
  name,
  targetPa,
  pullMinutes,
  holdMinutes,
})

const plainRig = ({ id: _i, parts: _p, missing: _m, dues: _d, pullsOn: _o, busy: _b, ...rig }: RigChoice): Rig => rig

/** Air that was read so long ago is the place's, not the day's, ms. */
const READ_TODAY_MS = 12 * 3_600_000

/** The air of a place as its entries have it: as it was read today, else as high as it lies. */
function airOfPlace({ altitudeM, barometerPa, ambientC, airAt }: PlaceView): Pick<NewCarValues, 'air' | 'ambient'> {
  const fresh = airAt !== null && serverNow() - Date.parse(airAt) < READ_TODAY_MS
  return {
    air: altitudeM === null || fresh ? W.mbar((barometerPa / 100).toFixed(0)) : `${altitudeM} m`,
    ambient: `${ambientC} C`,
  }
}

function firstValues(shop: ShopView, home: PlaceView): NewCarValues {
  return {
    name: '',
    plate: '',
    model: '',
    drive: 'plain',
    complaint: '',
    refrigerant: 'R-134a',
    charge: '',
    several: 'one',
    lines: [
      { name: '', charge: '' },
      { name: '', charge: '' },
    ],
    picked: '0',
    tolerance: '15 g',
    oilKind: '',
    oilMl: '',
    source: 'label',
    ...airOfPlace(home),
    opened: 'component',
    openHours: '2',
    drier: 'yes',
    lastCharge: '',
    daysSince: '',
    recovered: '',
    evaporators: '1',
    simulated: shop.demo,
    cameAt: '',
    promised: '',
  }
}

/** The car of the shop that was expected, where its name is known. */
const knownAs = ({ name }: ExpectedCar, cars: readonly KnownCar[]): KnownCar | undefined =>
  cars.find((c) => c.name.toLowerCase() === name.toLowerCase())

/** What is known of a car that was expected: its label where it was here before, its promise. */
function valuesExpected(expected: ExpectedCar, cars: readonly KnownCar[], timeZone: string): Partial<NewCarValues> {
  const known = knownAs(expected, cars)
  return {
    ...(known && valuesOfCar(known, serverNow())),
    name: expected.name,
    model: expected.model || (known?.model ?? ''),
    promised: expected.promisedMs === null ? '' : localTimeIn(timeZone)(expected.promisedMs),
  }
}

/** Takes a car in: what its label says, the air it stands in, and its story. */
export function NewCar({ shop, procedures, rigs, cars, places, expected, again }: Props) {
  const router = useRouter()
  const [procedureName, setProcedure] = useState(
    procedures.find((p) => p.name === USUAL_SCHOOL)?.name ?? procedures[0]?.name ?? '',
  )
  const [rigName, setRig] = useState(() => rigOffered(rigs)?.name ?? '')
  const [asked, setAsked] = useState<string>()
  const [known, setKnown] = useState(() => again ?? (expected ? knownAs(expected, cars) : undefined))
  const [placeName, setPlace] = useState(places[0].name)
  const goTo = (name: string) => {
    const place = places.find((p) => p.name === name) ?? places[0]
    setPlace(place.name)
    for (const [field, value] of Object.entries(airOfPlace(place))) form.setValue(field as 'air', value)
  }
  const [ids] = useState(() => ({ id: newEventId(), eventId: newEventId() }))
  const procedure = procedures.find((p) => p.name === procedureName)
  const rig = rigs.find((r) => r.name === rigName)
  const units = useUnits()
  const form = useForm({
    resolver: zodResolver(newCarForm(procedure && plainProcedure(procedure), rig && plainRig(rig), units)),
    defaultValues: {
      ...firstValues(shop, places[0]),
      ...(again && valuesOfCar(again, serverNow())),
      ...(expected && valuesExpected(expected, cars, shop.timeZone)),
    },
  })
  const { post, busy, said, say } = useSending(form, '/api/jobs')
  const question = lineQuestion(useWatch({ control: form.control }) as NewCarValues, units)
  const submit = form.handleSubmit(
    async ({ payload, openedAt }) => {
      if (question && asked !== question) {
        setAsked(question)
        say(W.lookOnceMoreAtThe)
        return
      }
      const promised = localTimeMs(form.getValues('promised'), shop.timeZone)
      const opened = await post<{ id: string }>({
        ...ids,
        payload,
        ...(openedAt !== null && { openedAt }),
        ...(Number.isFinite(promised) && { promisedAt: new Date(promised).toISOString() }),
        ...(expected && { expected: expected.id }),
      })
      if (opened) router.push(`/job/${opened.id}`)
    },
    (errors) => say(W.cannotBeTakenTheReason(Object.keys(errors).length === 1 ? W.oneEntry : W.someEntries)),
  )
  return (
    <form onSubmit={submit} noValidate className="grid grid-cols-[minmax(0,1fr)_344px] max-lg:grid-cols-1">
      <main className="space-y-5 px-5 pt-4 pb-6 max-sm:px-4">
        <WhoBlock form={form} cars={cars} known={known} onKnown={setKnown} timeZone={shop.timeZone} />
        <LabelCard control={form.control} question={question} />
        <OpenedBlock form={form} />
        <RestBlock control={form.control} />
      </main>
      <NewCarCall
        control={form.control}
        demo={shop.demo}
        procedures={procedures}
        procedure={procedure}
        onProcedure={setProcedure}
        rigs={rigs}
        rig={rig}
        onRig={setRig}
        places={places}
        placeName={placeName}
        onPlace={goTo}
        question={question}
        known={known !== undefined}
        busy={busy}
        said={said}
        timeZone={shop.timeZone}
      />
    </form>
  )
}
