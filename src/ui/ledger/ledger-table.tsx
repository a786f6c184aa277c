'use client'

import {
  type ColumnDef,
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  sortFn_basic,
  sortFn_text,
  tableFeatures,
  useTable,
} from '@tanstack/react-table'
import { useWindowVirtualizer } from '@tanstack/react-virtual'
import { ChevronDown, ChevronUp } from 'lucide-react'
import { useMemo, useRef } from 'react'
import { codeWords } from '@/core/language/codes'
import type { LedgerEntry } from '@/core/shop/ledger'
import { dateTimeIn } from '@/core/units/clock-text'

import { KIND_WORDS, signedGrams } from './ledger-words'

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { basic: sortFn_basic, text: sortFn_text },
})
const helper = createColumnHelper<typeof features, LedgerEntry>()

/** More lines than this are drawn only where the screen is; the page of a year stays as quick as that of a day. */
const DRAWN_AT_ONCE = 80
const LINE_PX = 34

const columnsFor = (at: (iso: string) => string) =>
  helper.columns([
    helper.accessor('happenedAt', { header: 'when', sortFn: 'text', cell: ({ getValue }) => at(getValue()) }),
    helper.accessor('kind', {
      header: codeWords('what'),
      sortFn: 'text',
      cell: ({ row }) => <What entry={row.original} />,
    }),
    helper.accessor('container', {
      header: 'container',
      sortFn: 'text',
      cell: ({ row }) => (
        <>
          {row.original.container} <span className="text-ink-2">{row.original.refrigerant}</span>
        </>
      ),
    }),
    helper.accessor('grams', {
      header: 'g',
      sortFn: 'basic',
      cell: ({ getValue }) => <b className="font-semibold">{signedGrams(getValue())}</b>,
    }),
    helper.accessor('by', { header: 'by', sortFn: 'text' }),
  ]) as ColumnDef<typeof features, LedgerEntry>[]

const CELLS: Record<string, string> = {
  happenedAt: 'pr-3 whitespace-nowrap',
  kind: 'pr-3',
  container: 'pr-3',
  grams: 'text-right',
  by: 'pl-4 max-sm:hidden',
}

/** Every line of the book that was asked for; a tap on a head sorts by it. */
export function LedgerTable({ entries, timeZone }: { entries: LedgerEntry[]; timeZone: string }) {
  const columns = useMemo(() => columnsFor(dateTimeIn(timeZone)), [timeZone])
  const table = useTable({ features, columns, data: entries, enableSortingRemoval: true })
  const { rows } = table.getRowModel()
  const body = useRef<HTMLTableElement>(null)
  const drawn = useWindowVirtualizer({
    count: rows.length,
    estimateSize: () => LINE_PX,
    overscan: 20,
    scrollMargin: body.current?.offsetTop ?? 0,
    enabled: rows.length > DRAWN_AT_ONCE,
  })
  const all = rows.length <= DRAWN_AT_ONCE
  const lines = drawn.getVirtualItems()
  const shown = all ? rows.map((_r, i) => i) : lines.map((l) => l.index)
  const above = all ? 0 : Math.max(0, (lines[0]?.start ?? 0) - drawn.options.scrollMargin)
  const below = all ? 0 : Math.max(0, drawn.getTotalSize() - ((lines.at(-1)?.end ?? 0) - drawn.options.scrollMargin))
  return (
    <table ref={body} className="mt-3 w-full text-small max-sm:text-note">
      <thead className="border-b-2 border-ink text-left text-note text-ink-2">
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id}>
            {group.headers.map((header) => {
              const sorted = header.column.getIsSorted()
              return (
                <th
                  key={header.id}
                  aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
                  className={`font-medium ${CELLS[header.column.id] ?? ''}`}
                >
                  <button
                    type="button"
                    className="inline-flex min-h-9 items-center gap-1"
                    onClick={header.column.getToggleSortingHandler()}
                  >
                    <table.FlexRender header={header} />
                    {sorted === 'asc' && <ChevronUp size={16} aria-hidden="true" />}
                    {sorted === 'desc' && <ChevronDown size={16} aria-hidden="true" />}
                  </button>
                </th>
              )
            })}
          </tr>
        ))}
      </thead>
      <tbody>
        {above > 0 && <tr style={{ height: above }} />}
        {shown.map((i) => {
          const row = rows[i]
          if (!row) return null
          return (
            <tr
              key={row.id}
              data-index={i}
              ref={all ? undefined : drawn.measureElement}
              className="border-b border-rule align-top"
            >
              {row.getAllCells().map((cell) => (
                <td key={cell.id} className={`py-1 ${CELLS[cell.column.id] ?? ''}`}>
                  <table.FlexRender cell={cell} />
                </td>
              ))}
            </tr>
          )
        })}
        {below > 0 && <tr style={{ height: below }} />}
      </tbody>
    </table>
  )
}

function What({ entry: { jobId, kind, car, why } }: { entry: LedgerEntry }) {
  const words = `${KIND_WORDS[kind]}${kind === 'charged' && car ? `, ${car}` : ''}`
  return (
    <>
      {jobId ? (
        <a href={`/job/${jobId}`} className="underline underline-offset-4">
          {words}
        </a>
      ) : (
        words
      )}
      {why && <span className="block text-note text-ink-2">{why}</span>}
    </>
  )
}
