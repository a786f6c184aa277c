'use client'

import type { FormerFault, FormerLine } from '@/core/book/former'
import { codeWords } from '@/core/language/codes'
import { W } from '@/core/language/screen/import'
import { Strong, slot, Worded } from '../worded'

/** Lines shown before they are brought in, and faults named, at most. */
const SHOWN = 12
const NAMED = 40

type Props = {
  read: { lines: FormerLine[]; faults: FormerFault[] }
  rows: number
  sending: { done: number; of: number } | null
  onBring: (lines: readonly FormerLine[]) => void
}

/** What a file comes to as it is read now: what cannot be is named, and nothing is stored before somebody says so. */
export function FormerPreview({ read: { lines, faults }, rows, sending, onBring }: Props) {
  const bad = new Set(faults.map((f) => f.line)).size
  return (
    <div className="mt-4">
      {faults.length > 0 && (
        <section aria-label={W.whatCannotBe} role="alert">
          <h2 className="text-row font-semibold text-leak">{W.ofLinesCannotBe(bad, rows)}</h2>
          <ul className="text-body">
            {faults.slice(0, NAMED).map((f) => (
              <li key={`${f.line} ${f.column} ${f.why}`} className="border-b border-rule py-0.5">
                <Worded
                  words={f.found === '' ? W.faultAt(slot('place'), f.why) : W.faultFound(slot('place'), f.found, f.why)}
                  place={<Strong>{W.lineColumn(f.line, f.column)}</Strong>}
                />
              </li>
            ))}
          </ul>
          {faults.length > NAMED && <p className="text-small">{W.andMore(faults.length - NAMED)}</p>}
        </section>
      )}
      {lines.length > 0 && (
        <table className="mt-3 w-full text-body">
          <caption className="text-left text-row font-semibold">
            {W.linesAsTheyWould(lines.length.toLocaleString('en'))}
          </caption>
          <thead>
            <tr className="border-b border-rule text-left text-small text-ink-2">
              <th className="font-normal">{W.day}</th>
              <th className="font-normal">{W.car}</th>
              <th className="text-right font-normal">{W.recovered}</th>
              <th className="text-right font-normal">{W.charged}</th>
              <th className="pl-4 font-normal">{W.found}</th>
            </tr>
          </thead>
          <tbody>
            {lines.slice(0, SHOWN).map((l) => (
              <tr key={l.id} className="border-b border-rule">
                <td className="py-1">{l.day}</td>
                <td>
                  {l.car} <span className="text-ink-2">{l.plate}</span>
                </td>
                <td className="text-right">{l.recoveredG === null ? '' : `${Math.round(l.recoveredG)} g`}</td>
                <td className="text-right">{l.chargedG === null ? '' : `${Math.round(l.chargedG)} g`}</td>
                <td className="pl-4">{l.verdict ? codeWords(l.verdict) : ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <div className="mt-3 flex flex-wrap items-center gap-4">
        {sending ? (
          <p role="status" className="text-body">
            {W.ofLines2(sending.done, sending.of)}
          </p>
        ) : (
          lines.length > 0 && (
            <button type="button" className="plain-button bg-sheet font-semibold" onClick={() => onBring(lines)}>
              {faults.length > 0
                ? W.leaveTheOutBringIn(bad, lines.length)
                : W.bringInLines(lines.length.toLocaleString('en'))}
            </button>
          )
        )}
      </div>
    </div>
  )
}
