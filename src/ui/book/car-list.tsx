'use client'

import Link from 'next/link'
import { useState } from 'react'
import { carsLike, type KnownCar } from '@/core/book/known-car'
import { carLine } from '@/core/job/car-line'
import { W } from '@/core/language/screen/book'
import { Field } from '../form/field'
import { dayIn } from '../format'

/** Cars shown at most: what is typed finds the others. */
const MOST_SHOWN = 100

/** Every car the shop knows: by its name, plate or model. */
export function CarList({ cars, timeZone }: { cars: readonly KnownCar[]; timeZone: string }) {
  const [typed, setTyped] = useState('')
  const day = dayIn(timeZone)
  const shown = carsLike(cars, typed, MOST_SHOWN)
  return (
    <main className="px-5 py-4 max-sm:px-4">
      <h1 className="text-title font-semibold leading-tight">{W.cars}</h1>
      <div className="mt-2 max-w-[420px]">
        <Field label={W.namePlateOrModel} value={typed} onChange={setTyped} placeholder={W.shuttle3} />
      </div>
      {shown.length === 0 ? (
        <p className="py-6 text-row">{cars.length === 0 ? W.noCarWasTakenIn : W.noCarIsCalledLike}</p>
      ) : (
        <ul aria-label={W.carsOfTheShop} className="mt-3 border-t-2 border-ink">
          {shown.map((car) => (
            <li key={car.id} className="border-b border-rule">
              <Link
                href={`/cars/${car.id}`}
                className={
                  'grid min-h-11 grid-cols-[200px_110px_minmax(0,1fr)_170px_190px] items-center gap-x-4 text-body ' +
                  'hover:bg-sheet max-lg:grid-cols-[minmax(0,1fr)_auto]'
                }
              >
                <b className="truncate text-lead font-semibold">{car.name}</b>
                <span className="text-ink-2 max-lg:text-right">{car.plate}</span>
                <span className="truncate max-lg:hidden">{carLine(car)}</span>
                <span className="max-lg:col-span-2 max-lg:text-small max-lg:text-ink-2">
                  {W.here2(day(Date.parse(car.seenAt)))}
                </span>
                <span className="max-lg:hidden">
                  {car.lastChargeG === null ? W.notChargedHereYet : W.gCharged(Math.round(car.lastChargeG))}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      {typed.trim() === '' && cars.length > MOST_SHOWN && (
        <p className="mt-2 text-small text-ink-2">{W.theThatCameLast(MOST_SHOWN)}</p>
      )}
    </main>
  )
}
