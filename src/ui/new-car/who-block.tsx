'use client'

import Link from 'next/link'
import { type UseFormReturn, useWatch } from 'react-hook-form'
import { carsLike, type KnownCar } from '@/core/book/known-car'
import { carLine } from '@/core/job/car-line'
import { W } from '@/core/language/screen/new-car'
import { dateTimeIn } from '@/core/units/clock-text'
import { holdWords } from '@/core/words/book-words'
import { TextField } from '../form/bound'
import { Sign } from '../form/sign'
import { dayIn } from '../format'

import { type NewCarOpened, type NewCarValues, valuesOfCar } from './values'

type Props = {
  form: UseFormReturn<NewCarValues, unknown, NewCarOpened>
  cars: readonly KnownCar[]
  known: KnownCar | undefined
  onKnown: (car: KnownCar | undefined) => void
  timeZone: string
}

/** Cars offered while one types, at most. */
const MOST_OFFERED = 4

/** Who it is: a car the shop knows is one tap, and brings its label with it. */
export function WhoBlock({ form, cars, known, onKnown, timeZone }: Props) {
  const { control } = form
  const [name, plate] = useWatch({ control, name: ['name', 'plate'] })
  const typed = name.trim() || plate.trim()
  const offered = known ? [] : carsLike(cars, typed, MOST_OFFERED)
  const choose = (car: KnownCar) => {
    for (const [field, value] of Object.entries(valuesOfCar(car, Date.now())))
      form.setValue(field as keyof NewCarValues, value as never, { shouldDirty: true })
    form.clearErrors()
    onKnown(car)
  }
  return (
    <section aria-label={W.whoItIs}>
      <div className="grid max-w-[640px] grid-cols-[minmax(0,1fr)_200px] gap-x-5 max-sm:grid-cols-1">
        <TextField control={control} name="name" label={W.namePeopleUse} placeholder={W.shuttle4} large />
        <TextField control={control} name="plate" label={W.plate} placeholder={W.cl14} large />
      </div>
      {known ? (
        <p className="text-body">
          {W.theShopKnowsIt}
          {carLine(known) && `: ${carLine(known)}`}
          {W.here2(dateTimeIn(timeZone)(known.seenAt))}
          {known.lastChargeG !== null && W.gCharged(Math.round(known.lastChargeG))}
          {known.lastChargedAt !== null && ` ${dayIn(timeZone)(Date.parse(known.lastChargedAt))}`}
          {known.lastHold && W.lastHeld(holdWords(known.lastHold))}.{' '}
          <Link href={`/cars/${known.id}`} className="inline-flex min-h-11 items-center font-semibold underline">
            {W.itsPage}
          </Link>{' '}
          <button type="button" className="min-h-11 font-semibold underline" onClick={() => onKnown(undefined)}>
            {W.anotherCar}
          </button>
          {[known.facts.remark, known.lastNote ?? ''].filter(Boolean).map((said) => (
            <b key={said} className="block font-semibold">
              <Sign kind="caution" />
              {said}
            </b>
          ))}
        </p>
      ) : (
        offered.length > 0 && (
          <ul className="flex flex-wrap gap-1.5" aria-label={W.carsTheShopKnows}>
            {offered.map((car) => (
              <li key={car.id}>
                <button type="button" className="plain-button text-body" onClick={() => choose(car)}>
                  {car.name} <span className="font-normal text-ink-2">{carLine(car)}</span>
                </button>
              </li>
            ))}
          </ul>
        )
      )}
    </section>
  )
}
