'use client'

import dynamic from 'next/dynamic'
import Link from 'next/link'
import type { CarRate, NextShort } from '@/core/book/car-loss'
import { FEWEST_CARS, type GroupRate, type Promise as Kept } from '@/core/book/fleet'
import { W } from '@/core/language/screen/book'
import { chanceWords } from '@/core/units/chance'
import { dayIn } from '../format'
import { useSay } from '../units'

const FleetRates = dynamic(() => import('./fleet-rates'), { ssr: false, loading: () => <div className="h-[120px]" /> })

type Props = {
  before: string
  list: readonly { id: string; name: string; plate: string; rate: CarRate; short: NextShort; chance: number }[]
  cars: number
  rates: readonly { title: string; of: string; rates: readonly GroupRate[] }[]
  promises: Kept
  months: number
  timeZone: string
  nowMs: number
}

/** Cars to call in before they are short, what the fleet loses, and whether repairs held. */
export function FleetPage({ before, list, cars, rates, promises, months, timeZone, nowMs }: Props) {
  const say = useSay()
  const day = dayIn(timeZone)
  return (
    <main
      className={
        'grid grid-cols-[minmax(0,1fr)_minmax(0,560px)] gap-x-10 gap-y-6 px-5 py-4 max-lg:grid-cols-1 ' + 'max-sm:px-4'
      }
    >
      <section aria-label={W.callIn}>
        <form method="get" action="/fleet" className="flex flex-wrap items-end gap-3">
          <h1 className="text-title font-semibold leading-tight">{W.callInBefore}</h1>
          <input
            type="date"
            name="before"
            aria-label={W.beforeWhichDay}
            defaultValue={before}
            className="field !w-44 !min-h-11 !text-body"
          />
          <button type="submit" className="plain-button">
            {W.showIt}
          </button>
        </form>
        {list.length === 0 ? (
          <p className="py-6 text-row">{cars === 0 ? W.noCarWasHereYet : W.noCarIsLikelyTo}</p>
        ) : (
          <table className="mt-3 w-full text-body">
            <caption className="sr-only">{W.carsThatAreLikelyShort}</caption>
            <thead>
              <tr className="border-b-2 border-ink text-left text-small text-ink-2">
                <th className="font-normal">{W.car}</th>
                <th className="text-right font-normal">{W.shortByThen}</th>
                <th className="text-right font-normal">{W.halfAreBy}</th>
                <th className="text-right font-normal">{W.losesAYear}</th>
              </tr>
            </thead>
            <tbody>
              {list.map((c) => (
                <tr key={c.id} className="border-b border-rule">
                  <td className="py-0.5">
                    <Link
                      href={`/cars/${c.id}`}
                      className="inline-flex min-h-11 items-center text-lead font-semibold hover:underline"
                    >
                      {c.name}
                    </Link>{' '}
                    <span className="text-ink-2">{c.plate}</span>
                  </td>
                  <td className="text-right">{chanceWords(c.chance)}</td>
                  <td className="text-right">
                    {c.short.p50Ms === null ? W.notKnown : c.short.p50Ms <= nowMs ? W.byNow : day(c.short.p50Ms)}
                  </td>
                  <td className="text-right">
                    {say.mass(c.rate.value)}
                    <span className="block text-note text-ink-2">
                      {W.to5(say.massText(c.rate.low), say.mass(c.rate.high))}
                    </span>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <p className="mt-4 border-t-2 border-ink pt-2 text-lead">
          {promises.repairs === 0
            ? W.noRepairWasLoggedYet
            : promises.looked === 0
              ? W.repairsNoneWasHeldAgain(promises.repairs, months)
              : W.ofRepairsThatWereHeld(promises.looked, months, promises.held)}
        </p>
      </section>
      <section aria-label={W.whatTheFleetLoses}>
        {rates.map(({ title, of, rates: groups }) => (
          <div key={title} className="mb-5">
            <h2 className="text-row font-semibold">{title}</h2>
            {groups.length === 0 ? (
              <p className="text-body">{W.noCarCameAgainAfter}</p>
            ) : (
              <>
                <p className="text-body">{fleetSentence(groups, of, say.mass)}</p>
                <FleetRates rates={groups} text={(g) => say.massShort(g)} />
                <table className="w-full text-small">
                  <caption className="sr-only">{W.gramsLostAYear2(title)}</caption>
                  <thead>
                    <tr className="border-b border-rule text-left text-note text-ink-2">
                      <th className="font-normal">{of}</th>
                      <th className="text-right font-normal">{W.cars2}</th>
                      <th className="text-right font-normal">{W.carYears}</th>
                      <th className="text-right font-normal">{W.lostAYear90}</th>
                      <th className="text-right font-normal">{W.shortTimesAYear90}</th>
                    </tr>
                  </thead>
                  <tbody>
                    {groups.map((g) => (
                      <tr key={g.group} className="border-b border-rule">
                        <th className="py-1 text-left font-medium">{g.group}</th>
                        <td className="text-right">{g.cars}</td>
                        <td className="text-right">{g.carYears.toFixed(1)}</td>
                        <td className="text-right">
                          {g.cars < FEWEST_CARS
                            ? W.tooFewCars
                            : W.to3(say.mass(g.grams.value), say.massText(g.grams.low), say.massText(g.grams.high))}
                        </td>
                        <td className="text-right">
                          {g.cars < FEWEST_CARS
                            ? ''
                            : W.to3(g.short.value.toFixed(2), g.short.low.toFixed(2), g.short.high.toFixed(2))}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </>
            )}
          </div>
        ))}
      </section>
    </main>
  )
}

/** What the groups come to in a sentence: only where they can be told apart. */
function fleetSentence(groups: readonly GroupRate[], of: string, mass: (g: number) => string): string {
  const ranked = groups.filter((g) => g.cars >= FEWEST_CARS)
  const [first, last] = [ranked[0], ranked.at(-1)]
  if (!first || !last) return W.noHasCarsYetNothing(of, FEWEST_CARS)
  if (first === last) return W.aYear2(first.group, mass(first.grams.value))
  return first.grams.low > last.grams.high
    ? W.losesMostAYearLeast(first.group, mass(first.grams.value), last.group, mass(last.grams.value))
    : W.betweenAndNoDifferenceIs(first.group, last.group)
}
