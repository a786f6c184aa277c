'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { Checkbox, ToggleGroup } from 'radix-ui'
import { useEffect, useRef, useState, useTransition } from 'react'
import { toggled, type Understood } from '@/core/book/find'
import { FLAG_WORDS, type FlagId } from '@/core/book/flags'
import { W } from '@/core/language/screen/book'

/** A line as it is shown: the page is sent words, not everything they were made of. */
export type ShownLine = {
  id: string
  href: string
  former: boolean
  day: string
  car: string
  words: string
  also: string
  whose: string
}

type Props = {
  typed: string
  pieces: readonly Understood[]
  lines: readonly ShownLine[]
  more: boolean
  /** nothing has these words: the names spelled nearly so that were looked for instead */
  nearly: string | null
  today: string
}

/** Typing rests for so long before it is looked for, ms. */
const REST_MS = 200

/** Everything the shop ever did, found by what was said in it; what was asked stands in the address. */
export function RecordsPage({ typed, pieces, lines, more, nearly, today }: Props) {
  const [text, setText] = useState(typed)
  const [waits, start] = useTransition()
  const [beside, setBeside] = useState<readonly string[]>([])
  const router = useRouter()
  const asked = useRef(typed)
  const ask = (next: string) => {
    asked.current = next
    start(() => router.replace(next.trim() === '' ? '/records' : `/records?q=${encodeURIComponent(next.trim())}`))
  }
  // the way back in the browser brings another address
  useEffect(() => {
    if (typed !== asked.current.trim()) {
      asked.current = typed
      setText(typed)
    }
  }, [typed])
  useEffect(() => {
    if (text === asked.current) return
    const rest = setTimeout(() => ask(text), REST_MS)
    return () => clearTimeout(rest)
  })
  const on = pieces.flatMap((p) => (p.as === 'days' ? [] : [p.as]))
  return (
    <main className="px-5 py-4 max-sm:px-4">
      <h1 className="sr-only">{W.records}</h1>
      <label className="block max-w-[760px] text-small">
        {W.carPlatePersonPartNote}
        <input
          type="search"
          className="field field-large mt-1"
          value={text}
          onChange={(e) => setText(e.target.value)}
          placeholder={W.ambulanceDrierSince202603}
          // biome-ignore lint/a11y/noAutofocus: the page is this field
          autoFocus
        />
      </label>
      <ToggleGroup.Root
        type="multiple"
        aria-label={W.onlyThose}
        value={on}
        className="mt-2 flex flex-wrap gap-2 max-sm:flex-nowrap max-sm:overflow-x-auto max-sm:pb-1"
        onValueChange={(next: string[]) => {
          const changed = (Object.keys(FLAG_WORDS) as FlagId[]).find((id) => next.includes(id) !== on.includes(id))
          if (!changed) return
          const put = toggled(text, changed, today)
          setText(put)
          ask(put)
        }}
      >
        {(Object.keys(FLAG_WORDS) as FlagId[]).map((id) => (
          <ToggleGroup.Item
            key={id}
            value={id}
            className={
              'min-h-9 shrink-0 whitespace-nowrap rounded-full border border-rule-2 px-3 text-note ' +
              'data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:text-ground max-sm:min-h-11'
            }
          >
            {FLAG_WORDS[id][0]}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <div className="mt-3 flex min-h-11 flex-wrap items-center gap-4 text-small">
        <p role="status" className="mr-auto">
          {waits ? W.looking : countWords(lines.length, more, nearly, typed)}
        </p>
        {beside.length === 2 && (
          <Link
            className="plain-button inline-flex items-center bg-sheet font-semibold"
            href={`/records/beside?a=${beside[0]}&b=${beside[1]}`}
          >
            {W.putTheTwoSideBy}
          </Link>
        )}
        {lines.length > 0 && (
          <>
            <a
              className="plain-button inline-flex items-center"
              href={`/api/records.csv?q=${encodeURIComponent(typed)}`}
            >
              {typed === '' ? W.allOfItAsCsv : W.theseAsCsv}
            </a>
            <a
              className="plain-button inline-flex items-center"
              href={`/api/records.zip?q=${encodeURIComponent(typed)}`}
            >
              {W.withRecordsReadingsPhotographs}
            </a>
          </>
        )}
      </div>
      <ul aria-label={W.found} className="mt-2 border-t-2 border-ink">
        {lines.map((line) => (
          <li key={line.id} className="flex items-stretch border-b border-rule hover:bg-sheet">
            {line.former ? (
              <span className="w-11 shrink-0" />
            ) : (
              <Checkbox.Root
                aria-label={W.compare(line.car, line.day)}
                className="grid w-11 shrink-0 place-items-center text-row"
                checked={beside.includes(line.id)}
                onCheckedChange={(checked) =>
                  setBeside((now) => (checked ? [...now, line.id].slice(-2) : now.filter((id) => id !== line.id)))
                }
              >
                <span className="grid size-6 place-items-center border-2 border-rule-2">
                  <Checkbox.Indicator className="size-3.5 bg-ink" />
                </span>
              </Checkbox.Root>
            )}
            <Link
              href={line.href}
              prefetch={false}
              className={
                'grid min-h-11 min-w-0 flex-1 grid-cols-[110px_190px_minmax(0,1fr)_170px] items-center gap-x-4 ' +
                'py-1 text-body max-lg:grid-cols-[110px_minmax(0,1fr)]'
              }
            >
              <span>{line.day}</span>
              <b className="truncate text-lead font-semibold">{line.car}</b>
              <span className="min-w-0 max-lg:col-span-2">
                {line.words}
                <span className="block text-note text-ink-2">{line.also}</span>
              </span>
              <span className="truncate text-ink-2 max-lg:hidden">{line.whose}</span>
            </Link>
          </li>
        ))}
      </ul>
    </main>
  )
}

function countWords(count: number, more: boolean, nearly: string | null, typed: string): string {
  if (count === 0) return typed === '' ? W.nothingWasDoneHereYet : W.nothingHasThat
  if (nearly) return W.nothingHasJustTheseWords(count, nearly)
  const newest = more ? W.theNewest(count) : `${count}`
  return typed === '' ? W.theNewestFirst(newest) : W.foundTheNewestFirst(newest)
}
