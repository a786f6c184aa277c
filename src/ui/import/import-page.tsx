'use client'

import { useRouter } from 'next/navigation'
import { useMemo, useState } from 'react'
import { useDropzone } from 'react-dropzone'
import { v5 as uuid5 } from 'uuid'
import {
  DATE_ORDERS,
  FORMER_COLUMNS,
  type FormerColumn,
  type FormerLine,
  type FormerMapping,
  guessFormer,
  readFormer,
  WEIGHT_UNITS,
} from '@/core/book/former'
import { REFRIGERANTS } from '@/core/fluids/refrigerants'
import { W } from '@/core/language/screen/import'
import type { ImportView } from '@/core/views'
import { newEventId, send } from '../api'
import { Pick } from '../form/pick'
import { Refused } from '../form/refused'
import { useSaid } from '../frame/said'
import { linesOf } from '../judge/read-file'
import { FormerPreview } from './former-preview'
import { ImportList } from './import-list'
import { OwnRecords } from './own-records'

/** Names of lines are made in this space: the same line of the same file has the same id wherever it is read. */
const SPACE = '3c7f3f0a-2b0e-4f5e-9c57-0d9a1c6a7b10'
/** Lines sent at once. */
const PART = 400
const COLUMN_WORDS: Record<FormerColumn, string> = {
  car: W.car2,
  plate: W.plate,
  date: W.day2,
  recovered: W.recovered2,
  charged: W.charged2,
  verdict: W.whatWasFound,
  refrigerant: W.refrigerant,
  note: W.note,
}

type Props = { imports: readonly ImportView[]; today: string; timeZone: string; mayRecords: boolean }
type File_ = { name: string; header: string[]; rows: { cells: string[]; line: number }[] }

/** Jobs of a former life from a file: which column is what, what cannot be, and then into the book, as a whole. */
export function ImportPage({ imports, today, timeZone, mayRecords }: Props) {
  const [file, setFile] = useState<File_ | null>(null)
  const [mapping, setMapping] = useState<FormerMapping | null>(null)
  const [refused, setRefused] = useState('')
  const [sending, setSending] = useState<{ done: number; of: number } | null>(null)
  const [id, setId] = useState(newEventId)
  const router = useRouter()
  const done = useSaid()
  const take = (given: File) =>
    void given.text().then((text) => {
      try {
        const [head, ...rows] = linesOf(text)
        if (!head || rows.length === 0) throw new Error(W.hasNoLineUnderIts)
        setFile({ name: given.name, header: head.cells, rows })
        setMapping(guessFormer(head.cells))
        setRefused('')
        setId(newEventId())
      } catch (error) {
        setRefused(W.nothingWasStored(given.name, (error as Error).message))
      }
    })
  const { getRootProps, getInputProps, isDragActive } = useDropzone({
    multiple: false,
    onDrop: (taken, turned) => {
      const given = taken[0] ?? turned[0]?.file
      if (given) take(given)
    },
  })
  const read = useMemo(
    () => (file && mapping ? readFormer(file.header, file.rows, mapping, today, (row) => uuid5(row, SPACE)) : null),
    [file, mapping, today],
  )
  const bring = async (lines: readonly FormerLine[]) => {
    if (!file) return
    for (let at = 0; at < lines.length; at += PART) {
      setSending({ done: at, of: lines.length })
      const part = { id, fileName: file.name, of: lines.length, lines: lines.slice(at, at + PART) }
      const answer = await send('/api/import', part)
      if (!answer.ok) {
        setSending(null)
        setRefused(`${answer.message} ${at > 0 ? W.theFirstLinesAreIn(at) : W.nothingWasStored2}`)
        router.refresh()
        return
      }
    }
    setSending(null)
    setFile(null)
    setMapping(null)
    done(W.linesOfAreInThe(lines.length, file.name))
    router.refresh()
  }
  return (
    <main className="grid grid-cols-[minmax(0,1fr)_400px] gap-x-10 px-5 py-4 max-lg:grid-cols-1 max-sm:px-4">
      <section aria-label={W.bringIn} className="min-w-0">
        <h1 className="text-title font-semibold leading-tight">{W.jobsOfAFormerLife}</h1>
        <p className="mt-1 text-body">{W.fromACsvFileThey}</p>
        <div
          {...getRootProps()}
          className={
            `mt-3 flex min-h-[64px] cursor-pointer items-center rounded border-[1.5px] border-dashed border-ink ` +
            `px-4 text-lead font-medium focus-within:outline-2 ${isDragActive ? 'bg-deep' : 'bg-sheet'}`
          }
        >
          <span>{file?.name ?? W.dropACsvFileHere}</span>
          <input {...getInputProps({ 'aria-label': W.csvFile })} />
        </div>
        <Refused>{refused}</Refused>
        {file && mapping && read && (
          <>
            <fieldset className="mt-3 border-t-2 border-ink pt-2">
              <legend className="sr-only">{W.whichColumnIsWhat}</legend>
              <div className="grid grid-cols-4 gap-x-4 gap-y-2 max-sm:grid-cols-2">
                {FORMER_COLUMNS.map((column) => (
                  <Pick
                    key={column}
                    label={COLUMN_WORDS[column]}
                    value={mapping.columns[column]}
                    options={{ '': W.noColumn, ...Object.fromEntries(file.header.map((h) => [h, h])) }}
                    onPick={(name) => setMapping({ ...mapping, columns: { ...mapping.columns, [column]: name } })}
                  />
                ))}
                <Pick
                  label={W.daysAreWritten}
                  value={mapping.dates}
                  options={DATE_ORDERS}
                  onPick={(v) => setMapping({ ...mapping, dates: v as FormerMapping['dates'] })}
                />
                <Pick
                  label={W.weightsAreIn}
                  value={mapping.weights}
                  options={WEIGHT_UNITS}
                  onPick={(v) => setMapping({ ...mapping, weights: v as FormerMapping['weights'] })}
                />
                <Pick
                  label={W.refrigerantWhereNoColumnSays}
                  value={mapping.refrigerant}
                  options={Object.fromEntries(REFRIGERANTS.map((r) => [r, r]))}
                  onPick={(v) => setMapping({ ...mapping, refrigerant: v as FormerMapping['refrigerant'] })}
                />
              </div>
            </fieldset>
            <FormerPreview
              read={read}
              rows={file.rows.length}
              sending={sending}
              onBring={(lines) => void bring(lines)}
            />
          </>
        )}
      </section>
      <aside className="max-lg:mt-6">
        <ImportList imports={imports} timeZone={timeZone} />
        {mayRecords && <OwnRecords />}
      </aside>
    </main>
  )
}
