'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { ToggleGroup } from 'radix-ui'
import { type ReactNode, useState } from 'react'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import type { Off } from '@/core/day/view'
import { Works } from '@/core/day/works'
import { text } from '@/core/entry/text'
import { W } from '@/core/language/screen/day'
import { newEventId } from '../api'
import { TextField } from '../form/bound'
import { amount, optional } from '../form/schemas'
import { useSending } from '../form/use-sending'
import { localTimeIn } from '../format'
import { moment } from './moments'

const PATH = '/api/day'

type Common = { timeZone: string; onDone: () => void }

function Foot({ busy, said, children }: { busy: boolean; said: string; children: ReactNode }) {
  return (
    <>
      <div className="mt-4 flex flex-wrap gap-3">{children}</div>
      {busy && <p className="mt-2 text-note text-ink-2">{W.sending}</p>}
      {said && (
        <p role="alert" className="mt-2 text-small font-semibold text-leak">
          {said}
        </p>
      )}
    </>
  )
}

/** When a car was promised for: changed, or taken back. */
export function PromiseForm({
  car,
  promisedMs,
  usualMs,
  timeZone,
  onDone,
}: Common & { car: string; promisedMs: number | null; usualMs: number }) {
  const schema = z.strictObject({ at: moment(timeZone) })
  const form = useForm({
    resolver: zodResolver(schema),
    defaultValues: { at: localTimeIn(timeZone)(promisedMs ?? usualMs) },
  })
  const { post, busy, said } = useSending(form, PATH)
  const send = async (at: string | null) => {
    if (await post({ what: 'promise', car, at })) onDone()
  }
  return (
    <form onSubmit={form.handleSubmit(({ at }) => send(at))} noValidate className="mt-3">
      <TextField control={form.control} name="at" label={W.promisedFor} type="datetime-local" />
      <Foot busy={busy} said={said}>
        <button type="submit" className="plain-button bg-sheet font-semibold">
          {W.promiseIt}
        </button>
        {promisedMs !== null && (
          <button type="button" className="plain-button" onClick={() => send(null)}>
            {W.noPromise2}
          </button>
        )}
      </Foot>
    </form>
  )
}

/** Who or what is away, and until when; what was told can be taken back. */
export function AwayForm({
  who,
  off,
  nowMs,
  timeZone,
  thing,
  onDone,
}: Common & {
  who: { account: string | null; thing: string | null }
  off: readonly Off[]
  nowMs: number
  thing: boolean
}) {
  const schema = z
    .strictObject({ from: moment(timeZone), to: optional(moment(timeZone)) })
    .refine((a) => a.to === undefined || Date.parse(a.to) > Date.parse(a.from), {
      path: ['to'],
      error: W.liesBeforeItBegins,
    })
  const at = localTimeIn(timeZone)
  const form = useForm({ resolver: zodResolver(schema), defaultValues: { from: at(nowMs), to: '' } })
  const { post, busy, said } = useSending(form, PATH)
  const send = async (body: object) => {
    if (await post(body)) onDone()
  }
  return (
    <form
      onSubmit={form.handleSubmit(({ from, to }) =>
        send({ what: 'away', id: newEventId(), ...who, from, to: to ?? null }),
      )}
      noValidate
      className="mt-3"
    >
      {off.map((o) => (
        <p key={o.id} className="mb-2 flex flex-wrap items-center gap-3 text-body">
          {W.from3(thing ? W.outOfUse : W.away, at(o.fromMs).replace('T', ' '))}{' '}
          {W.saidBy2(o.toMs === null ? W.untilItIsBack : W.to(at(o.toMs).replace('T', ' ')), o.by)}
          <button type="button" className="plain-button" onClick={() => send({ what: 'back', id: o.id })}>
            {W.backNow}
          </button>
        </p>
      ))}
      <div className="grid grid-cols-2 gap-x-4 max-sm:grid-cols-1">
        <TextField
          control={form.control}
          name="from"
          label={thing ? W.outOfUseFrom : W.awayFrom}
          type="datetime-local"
        />
        <TextField
          control={form.control}
          name="to"
          label={W.to2}
          type="datetime-local"
          hint={W.emptyUntilSomebodySaysIt}
        />
      </div>
      <Foot busy={busy} said={said}>
        <button type="submit" className="plain-button bg-sheet font-semibold">
          {thing ? W.takeItOutOfUse : W.saySo}
        </button>
      </Foot>
    </form>
  )
}

const DAYS = [W.su, W.mo, W.tu, W.we, W.th, W.fr, W.sa]
/** The week begins where the working one does. */
const WEEK = [1, 2, 3, 4, 5, 6, 0]

/** When somebody works: days of the week and times of the shop's clock. */
export function HoursForm({
  account,
  works,
  onDone,
}: Omit<Common, 'timeZone'> & { account: string; works: Works | null }) {
  const form = useForm({
    resolver: zodResolver(Works),
    defaultValues: works ?? { days: [1, 2, 3, 4, 5], from: '07:30', to: '16:00' },
  })
  const { post, busy, said } = useSending(form, PATH)
  const [days, setDays] = useState(form.getValues('days').map(String))
  const send = async (told: Works | null) => {
    if (await post({ what: 'works', account, works: told })) onDone()
  }
  const wrong = form.formState.errors.days
  return (
    <form onSubmit={form.handleSubmit(send)} noValidate className="mt-4 border-t border-rule pt-3">
      <p className="text-small font-medium">{W.worksOn}</p>
      <ToggleGroup.Root
        type="multiple"
        aria-label={W.daysOfTheWeek}
        className="mt-1 flex flex-wrap gap-1.5"
        value={days}
        onValueChange={(next) => {
          setDays(next)
          form.setValue('days', next.map(Number))
        }}
      >
        {WEEK.map((day) => (
          <ToggleGroup.Item
            key={day}
            value={String(day)}
            className="plain-button min-w-12 !px-2 data-[state=on]:bg-ink data-[state=on]:text-ground"
          >
            {DAYS[day]}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      {wrong && <p className="text-small font-semibold text-leak">{String(wrong.message ?? W.oneDayAtLeast)}</p>}
      <div className="mt-2 grid grid-cols-2 gap-x-4">
        <TextField control={form.control} name="from" label={W.from2} placeholder="07:30" />
        <TextField control={form.control} name="to" label={W.to2} placeholder="16:00" />
      </div>
      <Foot busy={busy} said={said}>
        <button type="submit" className="plain-button bg-sheet font-semibold">
          {W.theseHours}
        </button>
        {works && (
          <button type="button" className="plain-button" onClick={() => send(null)}>
            {W.noSetHours}
          </button>
        )}
      </Foot>
    </form>
  )
}

/** A car that is still to come. */
export function ExpectForm({ nowMs, timeZone, onDone }: Common & { nowMs: number }) {
  const schema = z
    .strictObject({
      name: text(80, 1, W.theNamePeopleUse),
      model: text(200, 0),
      arrives: moment(timeZone),
      promised: optional(moment(timeZone)),
      fixMin: amount(W.minutesOfRepair, 2880),
    })
    .refine((c) => c.promised === undefined || Date.parse(c.promised) > Date.parse(c.arrives), {
      path: ['promised'],
      error: W.isPromisedBeforeItComes,
    })
  const form = useForm({
    resolver: zodResolver(schema),
    defaultValues: {
      name: '',
      model: '',
      arrives: localTimeIn(timeZone)(nowMs + 3_600_000),
      promised: '',
      fixMin: '30',
    },
  })
  const { post, busy, said } = useSending(form, PATH)
  return (
    <form
      onSubmit={form.handleSubmit(async ({ promised, ...car }) => {
        if (await post({ what: 'expect', car: { id: newEventId(), ...car, promised: promised ?? null } })) onDone()
      })}
      noValidate
      className="mt-3"
    >
      <div className="grid grid-cols-2 gap-x-4 max-sm:grid-cols-1">
        <TextField control={form.control} name="name" label={W.namePeopleUse} placeholder={W.shuttle6} />
        <TextField control={form.control} name="model" label={W.model} placeholder={W.halvornRidge14} />
        <TextField control={form.control} name="arrives" label={W.comesAt} type="datetime-local" />
        <TextField control={form.control} name="promised" label={W.promisedFor} type="datetime-local" />
        <TextField control={form.control} name="fixMin" label={W.repairBeforeItMin} inputMode="decimal" />
      </div>
      <Foot busy={busy} said={said}>
        <button type="submit" className="plain-button bg-sheet font-semibold">
          {W.expectIt}
        </button>
      </Foot>
    </form>
  )
}
