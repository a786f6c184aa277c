'use client'

import { useEffect, useMemo, useState } from 'react'
import { nextDeeds, sharedRigs } from '@/core/day/next-deed'
import type { ShopPlan } from '@/core/day/plan-shop'
import type { Pin, ShopCar } from '@/core/day/shop-day'
import type { DayView, PromisesKept } from '@/core/day/view'
import { W } from '@/core/language/screen/day'
import { MINUTE_MS } from '@/core/units/constants'
import type { BoardRow } from '@/core/views'
import { carName } from '@/core/words/shop-plan-words'
import { Sign } from '../form/sign'
import { useSend } from '../form/use-send'
import { dayIn } from '../format'
import { Popup } from '../frame/popup'
import { useClock } from '../units'
import { CarPromises } from './car-promises'
import { ExpectForm, PromiseForm } from './day-forms'
import { DayPaper } from './day-paper'
import { LaneForms } from './lane-forms'
import { LanePieces } from './lane-pieces'
import { Lanes } from './lanes'
import { type Lane, lanesOf, type Piece, spanOfDay } from './lanes-of'
import { NextHeads } from './next-heads'
import { OwnDay } from './own-day'
import { PriceSaid } from './price-said'
import { PromisesByMonth } from './promises-by-month'
import { useDayPrice } from './use-day-price'
import type { DayViewer } from './viewer'

type Props = {
  day: DayView
  rows: readonly BoardRow[]
  nowMs: number
  timeZone: string
  viewer: DayViewer
  kept: readonly PromisesKept[]
}
type Asked = { kind: 'lane'; lane: Lane } | { kind: 'promise'; car: ShopCar } | { kind: 'expect' }

const HALF_A_DAY_MS = 12 * 3_600_000

/** The day: who does what next, lanes of people and things on one axis, and when each car is done. */
export function DayBoard({ day, rows, nowMs, timeZone, viewer, kept }: Props) {
  const clock = useClock(timeZone)
  const [asked, setAsked] = useState<Asked | null>(null)
  const [dragged, setDragged] = useState<{ plan: ShopPlan; piece: Piece | null } | null>(null)
  const [own, setOwn] = useState<ShopPlan | null>(null)
  // what was put down here shows at once, until the server's plan with it is there
  const plan = dragged?.plan ?? (own && own.madeMs >= day.plan.madeMs ? own : day.plan)
  useEffect(() => setOwn((now) => (now && now.madeMs < day.plan.madeMs ? null : now)), [day.plan.madeMs])
  const { price, ask, busy } = useDayPrice(dragged?.plan ?? null)
  const { send, busy: sending, said } = useSend('/api/day')
  const today = dayIn(timeZone)
  // a time of the coming night is told by the clock alone
  const moment = (ms: number) =>
    today(ms) === today(nowMs) || Math.abs(ms - nowMs) < HALF_A_DAY_MS
      ? clock(ms)
      : `${weekday(ms, timeZone)} ${clock(ms)}`
  const deeds = nextDeeds(plan, nowMs)
  const span = useMemo(() => spanOfDay(plan, rows, nowMs), [plan, rows, nowMs])
  const axis = { ...span, nowMs }
  const lanes = lanesOf(plan, rows, nowMs, span.fromMs, viewer.id)
  const beyond = plan.rows.filter((r) => plan.madeMs + r.from * MINUTE_MS > span.toMs).length
  const next = deeds.find((d) => d.person === viewer.id && !d.now)
  const nextId = next ? `${next.row.car} ${next.row.step} hands ` : null
  const drop = async (pin: Pin | null) => {
    const worked = price && pin && JSON.stringify(price.pin) === JSON.stringify(pin) ? price.plan : null
    setDragged(null)
    ask(null)
    if (!pin || pin.person === null) return
    // shown at once; the server's own plan takes its place
    if (worked) setOwn({ ...worked, madeMs: Math.max(worked.madeMs, day.plan.madeMs) })
    const { car, step, person, rig, fromMs } = pin
    if (!(await send({ what: 'pin', car, step, person, rig, from: new Date(fromMs).toISOString() }))) setOwn(null)
  }
  const close = () => setAsked(null)
  return (
    <div className="px-5 pb-6 max-sm:px-4">
      <Told day={day} clock={clock} nowMs={nowMs} />
      <div className="flex items-center gap-5 py-1 max-sm:block">
        <NextHeads plan={plan} deeds={deeds} viewerId={viewer.id} clock={clock} />
      </div>
      <Conflicts plan={plan} />
      {said && (
        <p role="alert" className="text-body font-semibold text-leak">
          {said}
        </p>
      )}
      <p className="py-1 text-small text-ink-2" suppressHydrationWarning>
        {summary(plan, moment)}
        {beyond > 0 && W.piecesLieBeyond(beyond, moment(span.toMs))}
        {plan.shop.pins.length > 0 && (
          <>
            {W.setByHand2(plan.shop.pins.length)}
            {plan.shop.pins.map((p) => (
              <button
                key={`${p.car} ${p.step}`}
                type="button"
                className="no-print min-h-11 pr-3 font-semibold text-ink underline"
                disabled={!viewer.mayPlan || sending}
                onClick={() => void send({ what: 'let-go', car: p.car, step: p.step })}
              >
                {W.letGo(carName(plan, p.car), p.step)}
              </button>
            ))}
          </>
        )}
      </p>
      <section aria-label={W.theDay} className="no-print relative max-lg:hidden">
        <Lanes
          lanes={lanes}
          axis={axis}
          clock={clock}
          nextId={nextId}
          movable={viewer.mayPlan}
          by={viewer.name}
          onLift={(piece) => setDragged({ plan, piece })}
          onMove={(pin, piece) => {
            setDragged((now) => ({ plan: now?.plan ?? plan, piece }))
            ask(pin)
          }}
          onDrop={(pin) => void drop(pin)}
          onLane={(lane) => setAsked({ kind: 'lane', lane })}
        />
        {dragged?.piece && (
          <PriceSaid piece={dragged.piece} plan={dragged.plan} price={price} busy={busy} clock={clock} />
        )}
      </section>
      <OwnDay plan={plan} viewer={viewer} nowMs={nowMs} clock={clock} />
      <div className="mt-4 grid grid-cols-[minmax(0,1fr)_330px] items-start gap-x-10 gap-y-5 max-lg:grid-cols-1">
        <CarPromises
          plan={plan}
          clock={clock}
          moment={moment}
          onPromise={viewer.mayPlan ? (car) => setAsked({ kind: 'promise', car }) : null}
          onGone={viewer.mayPlan ? (car) => void send({ what: 'not-coming', id: car.key }) : null}
        />
        <div className="no-print space-y-4">
          <div className="flex flex-wrap gap-2">
            {viewer.mayPlan && (
              <button
                type="button"
                className="plain-button bg-sheet font-semibold"
                onClick={() => setAsked({ kind: 'expect' })}
              >
                {W.aCarIsToCome}
              </button>
            )}
            <button type="button" className="plain-button" onClick={() => window.print()}>
              {W.onPaper}
            </button>
            <a className="plain-button inline-flex items-center" href="/wall">
              {W.forTheWall}
            </a>
            {lanes
              .filter((l) => l.kind !== 'holding')
              .map((lane) => (
                <button
                  key={lane.id}
                  type="button"
                  className="plain-button lg:hidden"
                  onClick={() => setAsked({ kind: 'lane', lane })}
                >
                  {lane.name}
                </button>
              ))}
          </div>
          <PromisesByMonth kept={kept} />
          <p className="text-small text-ink-2">{W.timesOfHandsAreThis}</p>
        </div>
      </div>
      <DayPaper plan={plan} moment={moment} />
      <Popup
        open={asked?.kind === 'promise'}
        onOpenChange={close}
        title={asked?.kind === 'promise' ? asked.car.name : ''}
        width="narrow"
      >
        {asked?.kind === 'promise' && (
          <PromiseForm
            car={asked.car.key}
            promisedMs={asked.car.promisedMs}
            usualMs={plan.madeMs + (plan.ends[asked.car.key]?.p90 ?? 240) * MINUTE_MS}
            timeZone={timeZone}
            onDone={close}
          />
        )}
      </Popup>
      <Popup open={asked?.kind === 'expect'} onOpenChange={close} title={W.aCarThatIsTo} width="middle">
        {asked?.kind === 'expect' && <ExpectForm nowMs={nowMs} timeZone={timeZone} onDone={close} />}
      </Popup>
      <Popup
        open={asked?.kind === 'lane'}
        onOpenChange={close}
        title={asked?.kind === 'lane' ? asked.lane.name : ''}
        width="middle"
      >
        {asked?.kind === 'lane' && (
          <>
            <LanePieces
              lane={lanes.find((l) => l.id === asked.lane.id) ?? asked.lane}
              people={Object.fromEntries(plan.shop.people.map((p) => [p.id, p.name]))}
              mayPlan={viewer.mayPlan}
              clock={clock}
              timeZone={timeZone}
              onDone={close}
            />
            <LaneForms lane={asked.lane} day={day} viewer={viewer} nowMs={nowMs} timeZone={timeZone} onDone={close} />
          </>
        )}
      </Popup>
    </div>
  )
}

/** What came out otherwise, in one line. */
function Told({ day, clock, nowMs }: { day: DayView; clock: (ms: number) => string; nowMs: number }) {
  const told = day.told && nowMs - day.told.atMs < 30 * MINUTE_MS ? day.told : null
  return (
    <p role="status" className="no-print text-body" suppressHydrationWarning>
      {told && (
        <>
          <b className="font-semibold">{clock(told.atMs)}</b> {told.sentences.join(' ')}
        </>
      )}
    </p>
  )
}

/** Two cars on one rig now: one of them cannot be pulled. */
function Conflicts({ plan }: { plan: ShopPlan }) {
  return sharedRigs(plan).map(({ rig, cars }) => (
    <p key={rig} className="text-body font-semibold text-caution">
      <Sign kind="caution" />
      {W.hangOnAtOnce(cars.map((c) => carName(plan, c)).join(' and '), rig)}
    </p>
  ))
}

function summary(plan: ShopPlan, moment: (ms: number) => string): string {
  const ends = Object.values(plan.ends)
  if (ends.length === 0) return W.noCarIsPlanned
  const last = Math.max(...ends.map((e) => e.p50))
  const late = Object.entries(plan.late).filter(([, m]) => m > 0.5)
  const missed =
    late.length === 0
      ? W.everyPromiseKept
      : late.length === 1
        ? W.onePromiseMissedByMin(Math.round(late[0]?.[1] ?? 0))
        : W.promisesMissed(late.length)
  return W.allDoneBy(moment(plan.madeMs + last * MINUTE_MS), missed)
}

const weekday = (ms: number, timeZone: string): string =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'short', timeZone }).format(ms)
