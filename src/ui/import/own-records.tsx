'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { useDropzone } from 'react-dropzone'
import { W } from '@/core/language/screen/import'
import { READINGS_FILE } from '@/core/record/record'
import { send } from '../api'

type Said = { name: string; words: string }

/** Records of this shop, brought back whole: each with its readings where a file beside it is theirs. */
export function OwnRecords() {
  const [said, setSaid] = useState<readonly Said[]>([])
  const router = useRouter()
  const bring = async (files: readonly File[]) => {
    const texts = await Promise.all(files.map(async (f) => ({ name: f.name, text: await f.text() })))
    const tables = texts.filter((t) => /^time,channel,value,unit/.test(t.text))
    const found: Said[] = []
    for (const { name, text } of texts.filter((t) => !tables.includes(t))) {
      const record = parsed(text)
      if (!record) {
        found.push({ name, words: W.isNoRecordAndNo })
        continue
      }
      // which table is whose its digest says: each is tried, and none that is another's is taken
      const tries = [...tables.map((t) => t.text), undefined]
      let words = ''
      for (const readings of tries) {
        const answer = await send<{ repeated: boolean }>('/api/import/record', {
          record,
          ...(readings && { readings }),
        })
        words = answer.ok
          ? answer.data.repeated
            ? W.isHereAlready
            : readings
              ? W.isBackWithItsReadings
              : W.isBackItsReadingsWere
          : answer.message
        if (answer.ok || !answer.message.includes(READINGS_FILE)) break
      }
      found.push({ name, words })
    }
    setSaid(found)
    router.refresh()
  }
  const { getRootProps, getInputProps, isDragActive } = useDropzone({ onDrop: (files) => void bring(files) })
  return (
    <section aria-label={W.ownRecords} className="mt-6">
      <h2 className="text-row font-semibold">{W.ownRecords}</h2>
      <p className="text-body">{W.signedJobsOfThisShop}</p>
      <div
        {...getRootProps()}
        className={
          `mt-2 flex min-h-[56px] cursor-pointer items-center rounded border-[1.5px] border-dashed border-ink px-4 ` +
          `text-body font-medium focus-within:outline-2 ${isDragActive ? 'bg-deep' : 'bg-sheet'}`
        }
      >
        <span>{W.dropRecordsAndTheirReadings}</span>
        <input {...getInputProps({ 'aria-label': W.recordFiles })} />
      </div>
      <ul aria-live="polite" className="mt-2 text-small">
        {said.map((s) => (
          <li key={s.name} className="border-b border-rule py-1">
            <b className="font-semibold">{s.name}</b> {s.words}
          </li>
        ))}
      </ul>
    </section>
  )
}

function parsed(text: string): unknown {
  try {
    const json: unknown = JSON.parse(text)
    return (json as { format?: unknown }).format === 'yperos-record' ? json : null
  } catch {
    return null
  }
}
