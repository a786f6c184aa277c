'use client'

import { nextDeeds } from '@/core/day/next-deed'
import type { DayView } from '@/core/day/view'
import { W } from '@/core/language/screen/day'
import { MINUTE_MS } from '@/core/units/constants'
import type { BoardRow } from '@/core/views'
import { Sign } from '../form/sign'
import { LineBar } from '../frame/line-bar'
import { useBoardLive } from '../hooks/use-board-live'
import { useWallNow } from '../hooks/use-now'
import { useClock } from '../units'
import { ZoneProvider } from '../zone'
import { Lanes } from './lanes'
import { lanesOf, spanOfDay } from './lanes-of'
import { NextHeads } from './next-heads'

/** Everything is drawn so much larger than on a desk: read from four metres. */
const LARGER = 1.5
/** Cars at the foot of the wall at most. */
const MOST_CARS = 8

/** The day on a screen on the wall. */
export function WallDay({
  rows: first,
  day: firstDay,
  shop,
  timeZone,
  serverNowMs,
}: {
  rows: BoardRow[]
  day: DayView | null
  shop: string
  timeZone: string
  serverNowMs: number
}) {
  const { rows, day, line, fromMs } = useBoardLive(first, firstDay)
  const clock = useClock(timeZone)
  const now = useWallNow(serverNowMs)
  const plan = day?.plan
  const nothing = () => undefined
  return (
    <ZoneProvider timeZone={timeZone}>
      <main style={{ zoom: LARGER }} className="px-5 py-3">
        <LineBar line={line} fromMs={fromMs} clock={clock} />
        <header className="flex items-baseline justify-between border-b border-rule pb-1">
          <h1 className="text-head font-semibold">{W.theDay3(shop)}</h1>
          <time className="figure text-fig-s font-semibold" suppressHydrationWarning>
            {clock(now)}
          </time>
        </header>
        {plan ? (
          <>
            <NextHeads plan={plan} deeds={nextDeeds(plan, now)} viewerId={null} clock={clock} wall />
            <Lanes
              lanes={lanesOf(plan, rows, now, spanOfDay(plan, rows, now).fromMs).slice(0, 7)}
              axis={{ ...spanOfDay(plan, rows, now), nowMs: now }}
              clock={clock}
              nextId={null}
              movable={false}
              by=""
              onLift={nothing}
              onMove={nothing}
              onDrop={nothing}
              onLane={nothing}
            />
            <ul className="mt-3 grid grid-cols-4 gap-x-6" aria-label={W.whenEachCarIsDone}>
              {[...plan.shop.cars]
                .sort((a, b) => (plan.ends[a.key]?.p50 ?? 1e9) - (plan.ends[b.key]?.p50 ?? 1e9))
                .slice(0, MOST_CARS)
                .map((car) => (
                  <li
                    key={car.key}
                    className="flex items-baseline gap-3 border-b border-rule py-1"
                    suppressHydrationWarning
                  >
                    <b className="text-row font-semibold">
                      {plan.ends[car.key] ? clock(plan.madeMs + (plan.ends[car.key]?.p50 ?? 0) * MINUTE_MS) : '–'}
                    </b>
                    <span className="min-w-0 truncate text-lead">{car.name}</span>
                    {(plan.late[car.key] ?? 0) > 0.5 && (
                      <b className="ml-auto whitespace-nowrap text-small font-semibold text-leak">
                        <Sign kind="caution" />
                        {W.minLate3(Math.round(plan.late[car.key] ?? 0))}
                      </b>
                    )}
                  </li>
                ))}
            </ul>
          </>
        ) : (
          <p className="py-8 text-head">{W.theDayIsBeingPlanned}</p>
        )}
      </main>
    </ZoneProvider>
  )
}
