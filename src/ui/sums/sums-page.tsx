'use client'

import { ToggleGroup } from 'radix-ui'
import { useDeferredValue, useEffect, useMemo, useState } from 'react'
import { W } from '@/core/language/screen/sums'
import { SUMS } from '@/core/sums/all'
import { type Ask, isChoice, isField } from '@/core/sums/fields'
import { type Answer, type Sum, type Typed, typedOf, work } from '@/core/sums/sum'
import { Field } from '../form/field'
import { Fold } from '../form/fold'
import { Pick } from '../form/pick'
import { useKeepPage } from '../offline/use-keep-page'
import { useUnits } from '../units'
import { LineOut } from './line-out'
import { SumPicture } from './sum-picture'
import { useLater } from './use-later'

type Props = { jobs: readonly { id: string; name: string }[]; airPa: number | null }

const first = SUMS[0] as Sum

/**
 * The arithmetic of the trade: a picture that is moved by its figures, with what it comes to. No job, no line needed.
 */
export function SumsPage({ jobs, airPa }: Props) {
  const [id, setId] = useState(first.id)
  const [typed, setTyped] = useState<Typed>({})
  const [read, setRead] = useState(false)
  useKeepPage('/sums')
  const sum = SUMS.find((s) => s.id === id) ?? first
  // a page kept on the device says nothing of the address it is asked by: that is read here
  useEffect(() => {
    const { sum: asked, ...entries } = Object.fromEntries(new URLSearchParams(window.location.search))
    if (asked && SUMS.some((s) => s.id === asked)) setId(asked)
    setTyped(entries)
    setRead(true)
  }, [])
  const here: Record<string, string> = airPa === null ? {} : { air: W.mbar((airPa / 100).toFixed(0)) }
  const entries = typedOf(sum, { ...here, ...typed })
  const write = (nextId: string, next: Typed) => {
    setId(nextId)
    setTyped(next)
    window.history.replaceState(null, '', `/sums?${new URLSearchParams({ sum: nextId, ...next })}`)
  }
  const set = (key: string, text: string) => write(sum.id, { ...typed, [key]: text })
  const { answer, faults, fault } = useAnswer(sum, entries)
  return (
    <main className="px-5 py-3 max-sm:px-4">
      <ToggleGroup.Root
        type="single"
        aria-label={W.sums}
        value={sum.id}
        onValueChange={(next) => next && write(next, kept(next, typed))}
        className="flex gap-2 overflow-x-auto pb-1 max-xl:gap-1.5"
      >
        {SUMS.map((s) => (
          <ToggleGroup.Item
            key={s.id}
            value={s.id}
            ref={s.id === sum.id ? intoView : undefined}
            className={
              'min-h-11 shrink-0 rounded border border-rule-2 px-3 text-body data-[state=on]:border-ink ' +
              'data-[state=on]:bg-ink data-[state=on]:font-semibold data-[state=on]:text-ground'
            }
          >
            {s.name}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <h1 className="mt-3 text-row font-semibold">{sum.question}</h1>
      <div
        className="mt-1 grid grid-cols-[minmax(0,1fr)_400px] grid-rows-[auto_1fr] gap-x-8 max-lg:grid-cols-1"
        data-read={read}
      >
        <section aria-label={W.picture} className="min-w-0">
          <p aria-live="polite" data-testid="main" className="figure min-h-[46px] text-fig-s max-sm:text-call">
            {answer?.main ?? ''}
          </p>
          {fault && (
            <p role="alert" className="text-body font-medium text-leak">
              {fault}
            </p>
          )}
          {answer && (
            <SumPicture
              picture={answer.picture}
              label={`${answer.main}. ${answer.line}`}
              onMove={(key, value) => set(key, writtenIn(sum, key, value))}
            />
          )}
        </section>
        <section aria-label={W.figures} className="row-span-2 min-w-0 max-lg:row-span-1 max-lg:mt-3">
          <div className="grid grid-cols-2 items-end gap-x-4">
            {sum.asks.map((ask) => (
              <Entry
                key={`${sum.id} ${ask.key}`}
                ask={ask}
                text={entries[ask.key] ?? ''}
                fault={faults[ask.key]}
                onChange={(text) => set(ask.key, text)}
              />
            ))}
          </div>
          <Fold title={W.howItIsWorkedOut}>
            <p className="text-small">{sum.formula}.</p>
            <p className="mt-1 text-small text-ink-2">{W.from2(sum.source)}</p>
          </Fold>
        </section>
        <section aria-label={W.whatItComesTo} className="min-w-0">
          {answer && <Facts answer={answer} />}
          {answer && answer.line !== '' && <LineOut line={answer.line} jobs={jobs} />}
        </section>
      </div>
    </main>
  )
}

/** The chosen one stands where it is seen, also where the row is longer than the screen. */
const intoView = (chosen: HTMLElement | null) => chosen?.scrollIntoView({ block: 'nearest', inline: 'nearest' })

/** What two sums both ask goes along from one to the other. */
function kept(nextId: string, typed: Typed): Typed {
  const next = SUMS.find((s) => s.id === nextId)
  return Object.fromEntries(Object.entries(typed).filter(([key]) => next?.asks.some((a) => a.key === key)))
}

function useAnswer(sum: Sum, entries: Typed) {
  const units = useUnits()
  const key = useDeferredValue(JSON.stringify(entries))
  const worked = useMemo(() => work(sum, JSON.parse(key) as Typed, units), [sum, key, units])
  const plan = useLater(worked.answer?.later)
  const answer = useMemo(
    () => (plan && worked.given && sum.finish ? sum.finish(worked.given, plan) : worked.answer),
    [plan, worked, sum],
  )
  return { ...worked, answer }
}

/** A dragged value as it is typed, held to what the entry takes. */
function writtenIn(sum: Sum, key: string, value: number | string): string {
  if (typeof value === 'string') return value
  const ask = sum.asks.find((a) => a.key === key)
  return ask && isField(ask) ? ask.write(Math.min(ask.most, Math.max(ask.least, value))) : String(value)
}

function Entry({
  ask,
  text,
  fault,
  onChange,
}: {
  ask: Ask
  text: string
  fault: string | undefined
  onChange: (text: string) => void
}) {
  if (isChoice(ask))
    return (
      <Pick
        label={ask.label}
        value={text}
        options={Object.fromEntries(ask.options.map((o) => [o.value, o.label]))}
        onPick={onChange}
        className="pb-6"
      />
    )
  const hint = 'hint' in ask ? ask.hint : undefined
  return <Field label={ask.label} value={text} onChange={onChange} error={fault} placeholder={ask.like} hint={hint} />
}

function Facts({ answer }: { answer: Answer }) {
  return (
    <dl className="mt-1 grid grid-cols-[230px_1fr] border-t-2 border-ink text-body max-sm:grid-cols-[130px_1fr]">
      {answer.facts.map((f) => (
        <div key={f.name + f.text} className="contents">
          <dt className="border-b border-rule py-1 text-ink-2">{f.name}</dt>
          <dd className="border-b border-rule py-1">{f.text}</dd>
        </div>
      ))}
    </dl>
  )
}
