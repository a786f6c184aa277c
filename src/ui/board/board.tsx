'use client'

import dynamic from 'next/dynamic'
import Link from 'next/link'
import { ToggleGroup } from 'radix-ui'
import { startTransition, useEffect, useState } from 'react'
import { boardAlarm, neededMs, readFirst } from '@/core/board/needed'
import type { PromisesKept } from '@/core/day/view'
import { doingWords, stepLabel } from '@/core/job/doing'
import { codeWords } from '@/core/language/codes'
import { W } from '@/core/language/screen/board'
import { MINUTE_MS } from '@/core/units/constants'
import type { BoardRow } from '@/core/views'
import type { DayViewer } from '../day/viewer'
import { Fold } from '../form/fold'
import { LineBar } from '../frame/line-bar'
import { type DayHere, useBoardLive } from '../hooks/use-board-live'
import { useHotkeys } from '../hooks/use-hotkeys'
import { useWallNow } from '../hooks/use-now'
import { useClock } from '../units'
import { ZoneProvider } from '../zone'
import { BoardLine } from './board-row'
import { type Axis, TimeAxis } from './time-axis'

const HOUR = 3600_000
/** Cars the page comes with, those that need someone first: more than any screen shows, and quick to appear. */
const FIRST_CARS = 40

export type View = 'now' | 'day'

// the day is drawn and dragged by whoever looks at it: the board of now does not wait for its scripts
const FindCar = dynamic(() => import('./find-car').then((m) => m.FindCar), { ssr: false })
const DayBoard = dynamic(() => import('../day/day-board').then((m) => m.DayBoard), {
  loading: () => <p className="px-5 py-8 text-row">{W.theDayIsDrawn}</p>,
})

/** Every car in the shop today, in the order they need someone. */
export function Board({
  rows: first,
  day: firstDay,
  kept,
  view: firstView,
  viewer,
  timeZone,
  serverNowMs,
}: {
  rows: BoardRow[]
  day: DayHere
  kept: readonly PromisesKept[]
  view: View
  viewer: DayViewer
  timeZone: string
  serverNowMs: number
}) {
  const { rows, day, line, fromMs } = useBoardLive(first, firstDay)
  const [view, setView] = useState(firstView)
  const turn = (to: View) => {
    setView(to)
    window.history.replaceState(null, '', to === 'day' ? '/board?view=day' : '/board')
  }
  const clock = useClock(timeZone)
  const now = useWallNow(serverNowMs)
  const [finding, setFinding] = useState(false)
  const sorted = [...rows].sort(
    (a, b) =>
      neededMs(a, now) - neededMs(b, now) ||
      calling(b, now) - calling(a, now) ||
      a.summary.name.localeCompare(b.summary.name),
  )
  const open = sorted.filter((row) => row.summary.rests !== 'closed' || row.summary.signed)
  const shown = useMoreAfter(FIRST_CARS)
  const axis: Axis = { fromMs: Math.floor((now - 3.5 * HOUR) / HOUR) * HOUR, toMs: now + 2 * HOUR, nowMs: now }
  useHotkeys({ '/': () => setFinding(true), d: () => turn(view === 'day' ? 'now' : 'day') })
  return (
    <ZoneProvider timeZone={timeZone}>
      <main>
        <LineBar line={line} fromMs={fromMs} clock={clock} />
        <ViewChoice view={view} onView={turn} />
        {view === 'day' ? (
          day ? (
            <DayBoard day={day} rows={rows} nowMs={now} timeZone={timeZone} viewer={viewer} kept={kept} />
          ) : (
            <p className="px-5 py-8 text-row">{day === undefined ? W.theDayIsDrawn : W.theDayIsBeingPlanned}</p>
          )
        ) : (
          <>
            <NextMoment rows={sorted} now={now} timeZone={timeZone} />
            <section aria-label={W.cars} className="px-5 max-sm:px-4">
              <div className="grid grid-cols-[386px_1fr] max-lg:grid-cols-1">
                <button
                  type="button"
                  className="flex items-center gap-2 self-end pb-1 text-small text-ink-2"
                  onClick={() => setFinding(true)}
                >
                  <span className="key">/</span>
                  {W.findACar}
                </button>
                <TimeAxis axis={axis} clock={clock} />
              </div>
              <ul className="border-t-2 border-ink">
                {open.slice(0, shown).map((row) => (
                  <BoardLine key={row.id} row={row} axis={axis} timeZone={timeZone} needed={neededMs(row, now)} />
                ))}
              </ul>
              {open.length === 0 && <p className="py-8 text-row">{W.noCarTodayTakeOne}</p>}
              <Ended rows={sorted.filter((row) => row.summary.rests === 'closed' && !row.summary.signed)} />
            </section>
          </>
        )}
        {finding && <FindCar open onOpenChange={setFinding} rows={sorted} />}
      </main>
    </ZoneProvider>
  )
}

/** So many at first, all of them as soon as the page is at work. */
function useMoreAfter(first: number): number {
  const [most, setMost] = useState(first)
  useEffect(() => startTransition(() => setMost(Number.POSITIVE_INFINITY)), [])
  return most
}

/** The board of now, or of the day. */
function ViewChoice({ view, onView }: { view: View; onView: (view: View) => void }) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={W.theBoardShows}
      value={view}
      onValueChange={(next) => next && onView(next as View)}
      className="no-print float-right flex gap-2 px-5 pt-4 max-sm:float-none max-sm:px-4 max-sm:pt-2"
    >
      {(['now', 'day'] as const).map((name) => (
        <ToggleGroup.Item
          key={name}
          value={name}
          className="plain-button bg-sheet text-body data-[state=on]:bg-ink data-[state=on]:text-ground"
        >
          {codeWords(name)} {name !== view && <span className="key max-sm:hidden">D</span>}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}

/** Jobs that ended before their last step: off the board, to be signed as what they are or opened again. */
function Ended({ rows }: { rows: readonly BoardRow[] }) {
  if (rows.length === 0) return null
  return (
    <Fold title={W.endedEarlyNotSigned(rows.length)} className="mt-3 max-w-[620px]">
      <ul>
        {rows.map((row) => (
          <li key={row.id} className="border-t border-rule">
            <Link href={`/job/${row.id}`} className="flex min-h-11 items-center gap-3 text-body hover:bg-sheet">
              <b className="font-semibold">{row.summary.name}</b> {row.summary.model}, {doingWords(row.summary)}
            </Link>
          </li>
        ))}
      </ul>
    </Fold>
  )
}

function NextMoment({ rows, now, timeZone }: { rows: BoardRow[]; now: number; timeZone: string }) {
  const clock = useClock(timeZone)
  const open = rows.map((row) => ({ row, at: neededMs(row, now) })).filter(({ at }) => Number.isFinite(at))
  const hands = open.filter(({ at }) => at < 0).sort((a, b) => calling(b.row, now) - calling(a.row, now))
  const waiting = open.filter(({ at }) => at >= 0)
  // what hands are needed for now comes before what waits by itself
  const next = hands[0] ?? waiting[0]
  useHotkeys({ o: () => next && window.location.assign(`/job/${next.row.id}`) })
  if (!next) return <div className="h-5" />
  const minutes = Math.round((next.at - now) / MINUTE_MS)
  const others = hands.length - 1
  return (
    <section
      aria-label={W.nextMoment}
      className="flex items-center gap-6 px-5 py-5 max-sm:flex-wrap max-sm:gap-3 max-sm:px-4 max-sm:py-3"
    >
      <p className="figure text-fig-xl font-semibold text-accent max-sm:text-fig-l" suppressHydrationWarning>
        {next.at < 0 ? W.now2 : clock(next.at)}
      </p>
      <div className="min-w-0 flex-1">
        <h1 className="text-call font-semibold leading-tight max-sm:text-act">
          {next.row.summary.name}: {nextDeed(next.row, now)}
        </h1>
        <p className="text-body text-ink-2" suppressHydrationWarning>
          {next.at < 0
            ? others > 0
              ? W.handsAreNeededThereAnd(others, others === 1 ? W.car : W.cars2)
              : W.handsAreNeededThere
            : minutes <= 0
              ? W.itIsDue
              : W.inMinUntilThenIt(minutes)}
        </p>
      </div>
      <ul className="text-body max-lg:hidden">
        {waiting.slice(hands.length > 0 ? 0 : 1, hands.length > 0 ? 2 : 3).map(({ row, at }) => (
          <li key={row.id} suppressHydrationWarning>
            <b className="font-semibold">{clock(at)}</b> {row.summary.name}, {nextDeed(row, now)}
          </li>
        ))}
      </ul>
      <Link
        href={`/job/${next.row.id}`}
        className={
          'flex min-h-16 w-58 items-center justify-between rounded bg-accent px-5 text-act font-semibold ' +
          'text-accent-text max-sm:w-full'
        }
      >
        {W.openIt}
        <span className="key max-sm:hidden">O</span>
      </Link>
    </section>
  )
}

/** A car that calls (its target reached, its hold decided) before one that was left for a while. */
const calling = (row: BoardRow, now: number): number => (boardAlarm(row, now) === null ? 0 : 1)

function nextDeed(row: BoardRow, now: number): string {
  const { summary } = row
  if (readFirst(row, now)) return W.readItsGauge
  if (summary.step === 'pull' && summary.comeBackAt) return W.isolateIt
  if (summary.step === 'hold' && summary.comeBackAt) return W.judgeTheHold
  return `${stepLabel(summary.step).slice(2).trim().toLowerCase()}, ${doingWords(summary)}`
}
