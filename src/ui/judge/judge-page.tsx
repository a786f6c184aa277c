'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useEffect, useMemo, useState } from 'react'
import { useDropzone } from 'react-dropzone'
import { useForm, useWatch } from 'react-hook-form'
import * as z from 'zod'
import { REFRIGERANTS } from '@/core/fluids/refrigerants'
import { contextOfFile, type HoldContextFile } from '@/core/hold/hold-file'
import type { HoldContext } from '@/core/hold/types'
import { W } from '@/core/language/screen/judge'
import { BadReading, type HoldReadings } from '@/core/readings/hold-readings'
import { type ColumnMapping, type CsvLine, guessMapping } from '@/core/readings/readings-csv'
import { PA_PER_MICRON } from '@/core/units/constants'
import type { JudgeWorker } from '@/workers/judge-worker'
import { ChoiceField, TextField } from '../form/bound'
import { figure } from '../form/schemas'
import { Sign } from '../form/sign'
import type { ShopView } from '../frame/who'
import { inWorker } from '../hooks/in-worker'
import { ColumnPicker } from './column-picker'
import type { FileJudgement } from './file-judgement'
import { FileVerdict } from './file-verdict'
import { isOwnFormat, isTypedTable, linesOf, linesOfTable, readHoldFile } from './read-file'

type Props = { shop: ShopView; mappings: ColumnMapping[]; holding: { id: string; name: string }[] }
/** What is known of the hold besides its readings. */
const About = z.object({
  volumeL: figure.pipe(z.number().min(0.1, W.between01And1000).max(1000, W.between01And1000)),
  instrument: z.enum(['electronic', 'needle']),
  hoses: z.enum(['in', 'out']),
  ambientC: figure.pipe(z.number().min(-40, W.between40And60C).max(60, W.between40And60C)),
  barometerKPa: figure.pipe(z.number().min(40, W.between40And110Kpa).max(110, W.between40And110Kpa)),
  refrigerant: z.enum(REFRIGERANTS),
})
type Typed = z.input<typeof About>

const SAMPLE = '0 300\n5 318\n10 331\n20 342\n30 347'

/** A hold from a file or a typed table, judged at once; no car is needed. */
export function JudgePage({ shop, mappings, holding }: Props) {
  const [text, setText] = useState('')
  const [file, setFile] = useState('')
  const [mapping, setMapping] = useState<ColumnMapping | null>(null)
  const { control } = useForm<Typed, unknown, z.output<typeof About>>({
    resolver: zodResolver(About),
    mode: 'onChange',
    defaultValues: {
      volumeL: '2.5',
      instrument: 'electronic',
      hoses: 'in',
      ambientC: String(shop.ambientC),
      barometerKPa: (shop.barometerPa / 1000).toFixed(1),
      refrigerant: 'R-134a',
    },
  })
  const typed = useWatch({ control }) as Typed
  const about = useMemo(() => About.safeParse(typed).data ?? null, [typed])
  const airPa = (about?.barometerKPa ?? shop.barometerPa / 1000) * 1000
  const take = (content: string, name: string) => {
    setText(content)
    setFile(name)
    setMapping(null)
  }
  const { getRootProps, getInputProps, isDragActive } = useDropzone({
    multiple: false,
    accept: { 'text/csv': ['.csv', '.txt', '.tsv'] },
    // a file of another ending is taken too: what it holds is looked at, not its name
    onDrop: (taken, turnedAway) => {
      const given = taken[0] ?? turnedAway[0]?.file
      if (given) void given.text().then((content) => take(content, given.name))
    },
  })
  const { lines, foreign, fault } = useMemo(() => split(text), [text])
  const used = useMemo(() => {
    const header = lines[0]?.cells ?? []
    return foreign
      ? (mapping ?? mappings.find((m) => header.includes(m.time) && header.includes(m.vacuum)) ?? guessMapping(header))
      : null
  }, [foreign, lines, mapping, mappings])
  const read = useMemo(
    () => (fault || lines.length === 0 ? null : attempt(() => readHoldFile(lines, used, airPa))),
    [lines, used, fault, airPa],
  )
  const context = useMemo(() => about && contextOf(about, read), [about, read])
  const judged = useFileJudge(read && 'samples' in read ? read : null, context)
  const refused = fault ?? (read && 'refused' in read ? read.refused : null)
  return (
    <main className="grid grid-cols-[minmax(0,440px)_minmax(0,1fr)] gap-8 px-5 py-4 max-lg:grid-cols-1 max-sm:px-4">
      <section aria-label={W.theRecord}>
        <h1 className="text-title font-semibold leading-tight">{W.judgeARecord}</h1>
        <p className="mt-1 text-body">{W.aHoldFromALoggers}</p>
        <div
          {...getRootProps()}
          className={
            `mt-3 flex min-h-[64px] cursor-pointer items-center justify-between gap-3 rounded border-[1.5px] ` +
            `border-dashed border-ink px-4 py-2 text-lead font-medium focus-within:outline-2 ` +
            `${isDragActive ? 'bg-deep' : 'bg-sheet'}`
          }
        >
          <span>{file || W.dropACsvFileHere}</span>
          <input {...getInputProps({ 'aria-label': W.readingsFile })} />
        </div>
        <label htmlFor="table" className="mt-3 block text-small font-medium">
          {W.orTypeItMinutesSince}
        </label>
        <textarea
          id="table"
          rows={5}
          className="field mt-1 h-auto py-2 text-body"
          placeholder={SAMPLE}
          value={file ? '' : text}
          onChange={(e) => take(e.target.value, '')}
        />
        <p role="alert" className="min-h-6 text-small font-medium text-leak">
          {refused && <Sign kind="fault" />}
          {refused}
        </p>
        {foreign && used && (
          <ColumnPicker header={lines[0]?.cells ?? []} mapping={used} kept={mappings} onChange={setMapping} />
        )}
        <div className="mt-2 grid grid-cols-2 gap-x-4 gap-y-1">
          <TextField
            control={control}
            name="volumeL"
            label={W.isolatedVolumeL}
            inputMode="decimal"
            hint={W.hosesInItCounted}
          />
          <TextField control={control} name="ambientC" label={W.ambientC} inputMode="decimal" />
          <TextField
            control={control}
            name="barometerKPa"
            label={W.airHereKpa}
            inputMode="decimal"
            hint={W.forNeedlesAndGrams}
          />
          <ChoiceField
            control={control}
            name="refrigerant"
            label={W.refrigerant}
            options={REFRIGERANTS.map((r) => ({ value: r, label: r }))}
          />
          <ChoiceField
            control={control}
            name="instrument"
            label={W.readBy}
            options={[
              { value: 'electronic', label: W.electronic },
              { value: 'needle', label: W.needle },
            ]}
          />
          <ChoiceField
            control={control}
            name="hoses"
            label={W.hoses}
            options={[
              { value: 'in', label: W.inTheHold },
              { value: 'out', label: W.shutOff },
            ]}
          />
        </div>
      </section>
      <FileVerdict judged={judged} waiting={text === ''} holding={holding} />
    </main>
  )
}

function split(text: string): { lines: CsvLine[]; foreign: boolean; fault: string | null } {
  if (text.trim() === '') return { lines: [], foreign: false, fault: null }
  try {
    const lines = isTypedTable(text) ? linesOfTable(text) : linesOf(text)
    return { lines, foreign: !isOwnFormat(lines), fault: null }
  } catch (error) {
    return { lines: [], foreign: false, fault: wordsOf(error) }
  }
}

function attempt(make: () => HoldReadings): HoldReadings | { refused: string } {
  try {
    return make()
  } catch (error) {
    return { refused: wordsOf(error) }
  }
}

const wordsOf = (error: unknown): string =>
  error instanceof BadReading && error.line > 0 ? W.line(error.line, error.message) : (error as Error).message

function contextOf(
  { volumeL, ambientC, barometerKPa, instrument, hoses, refrigerant }: z.output<typeof About>,
  read: HoldReadings | { refused: string } | null,
): HoldContext {
  const heldS = read && 'samples' in read ? (read.samples[read.samples.length - 1]?.elapsedS ?? 0) : 0
  const file: HoldContextFile = {
    volume_L: volumeL,
    instrument: { kind: instrument, ...(instrument === 'electronic' && { resolution_Pa: PA_PER_MICRON }) },
    ambient_C: ambientC,
    barometer_Pa: barometerKPa * 1000,
    refrigerant,
    hoses_included: hoses === 'in',
  }
  return contextOfFile(file, heldS, read && 'samples' in read ? read : { barometerRead: false, ambientC: null })
}

/** Judges a file's hold in the worker; undefined while there is none or it is being judged. */
function useFileJudge(read: HoldReadings | null, context: HoldContext | null): FileJudgement | undefined {
  const [judged, setJudged] = useState<FileJudgement>()
  useEffect(() => {
    setJudged(undefined)
    if (!read || !context) return
    const worker = new Worker(new URL('../../workers/judge-worker.ts', import.meta.url), { type: 'module' })
    return inWorker<JudgeWorker>(worker, async (far) =>
      setJudged({ ...(await far.judgementOf(read.samples, context)), read, context }),
    )
  }, [read, context])
  return judged
}
