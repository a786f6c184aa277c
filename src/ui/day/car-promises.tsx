'use client'

import Link from 'next/link'
import { Collapsible } from 'radix-ui'
import type { ShopPlan } from '@/core/day/plan-shop'
import type { ShopCar } from '@/core/day/shop-day'
import { W } from '@/core/language/screen/day'
import { MINUTE_MS } from '@/core/units/constants'
import { takesWords, unplannedWords, whyWords } from '@/core/words/shop-plan-words'
import { Sign } from '../form/sign'

type Props = {
  plan: ShopPlan
  clock: (ms: number) => string
  /** day and time where it is another day */
  moment: (ms: number) => string
  /** null where nothing may be changed */
  onPromise: ((car: ShopCar) => void) | null
  onGone: ((car: ShopCar) => void) | null
}

/** Every car of the day: when it is done, when at the latest, what was promised, and why it stands where it stands. */
export function CarPromises({ plan, moment, onPromise, onGone }: Props) {
  const end = (car: ShopCar) => plan.ends[car.key]
  const cars = [...plan.shop.cars].sort((a, b) => (end(a)?.p50 ?? 1e9) - (end(b)?.p50 ?? 1e9))
  const at = (minutes: number) => plan.madeMs + minutes * MINUTE_MS
  return (
    <ul aria-label={W.whenEachCarIsDone} className="border-t border-rule">
      {cars.map((car) => {
        const ends = end(car)
        const late = plan.late[car.key] ?? 0
        const unplanned = plan.unplanned.find((u) => u.car === car.key)
        const why = plan.why.filter((w) => w.car === car.key)
        return (
          <Collapsible.Root key={car.key} asChild>
            <li className="border-b border-rule py-1" data-car={car.name}>
              <div
                className={
                  'grid grid-cols-[170px_96px_minmax(0,1fr)_auto] items-center gap-x-4 ' +
                  'max-sm:grid-cols-[minmax(0,1fr)_auto]'
                }
              >
                <span className="min-w-0 truncate text-lead font-semibold">
                  {car.jobId ? (
                    <Link href={`/job/${car.jobId}`} className="inline-flex min-h-11 items-center hover:underline">
                      {car.name}
                    </Link>
                  ) : (
                    <Link
                      href={`/job/new?expected=${car.key}`}
                      className="inline-flex min-h-11 items-center hover:underline"
                    >
                      {car.name}
                    </Link>
                  )}
                </span>
                <b className="text-row font-semibold" suppressHydrationWarning>
                  {ends ? moment(at(ends.p50)) : '–'}
                </b>
                <span className="min-w-0 text-small text-ink-2 max-sm:col-span-2" suppressHydrationWarning>
                  {unplanned ? (
                    unplannedWords(plan, unplanned)
                  ) : (
                    <>
                      {!car.jobId && W.comes(moment(car.arrivesMs))}
                      {ends && ends.p90 - ends.p50 > 3 && W.atTheLatest(moment(at(ends.p90)))}
                      {car.promisedMs === null ? (
                        W.noPromise
                      ) : late > 0.5 ? (
                        <b className="font-semibold text-leak">
                          <Sign kind="caution" />
                          {W.promisedLate(moment(car.promisedMs), Math.round(late))}
                        </b>
                      ) : (
                        W.promised2(moment(car.promisedMs))
                      )}
                    </>
                  )}
                </span>
                <span className="no-print flex gap-2 max-sm:col-span-2">
                  {!unplanned && (
                    <Collapsible.Trigger className="plain-button text-small" aria-label={W.whyIsDoneThen(car.name)}>
                      {W.why}
                    </Collapsible.Trigger>
                  )}
                  {onGone && !car.jobId && (
                    <button type="button" className="plain-button text-small" onClick={() => onGone(car)}>
                      {W.doesNotCome}
                    </button>
                  )}
                  {onPromise && (
                    <button
                      type="button"
                      className="plain-button text-small"
                      aria-label={W.promiseOf(car.name)}
                      onClick={() => onPromise(car)}
                    >
                      {W.promise}
                    </button>
                  )}
                </span>
              </div>
              <Collapsible.Content>
                <ul className="pb-2 text-body">
                  {why.map((w) => (
                    <li key={`${w.code}${'waits' in w ? w.waits : ''}${'step' in w ? w.step : ''}`}>
                      {whyWords(plan, w)}
                    </li>
                  ))}
                  <li>{takesWords(plan, car)}</li>
                </ul>
              </Collapsible.Content>
            </li>
          </Collapsible.Root>
        )
      })}
    </ul>
  )
}
