'use client'

import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/book'
import type { RecordPicture as Picture } from '@/core/record/picture'
import { dateTimeIn } from '@/core/units/clock-text'
import { type RecordFact, recordFacts } from '@/core/words/record-words'

import { RecordPicture } from '../record/record-picture'
import { useSay } from '../units'

type Side = { jobId: string; state: JobState; picture: Picture }

/** Two records side by side: their pictures, then what they say, line against line; what differs stands strong. */
export function RecordsBeside({ first, second, timeZone }: { first: Side; second: Side; timeZone: string }) {
  const say = useSay()
  const at = dateTimeIn(timeZone)
  const facts = [first, second].map((s) => recordFacts(s.state, say, at))
  const names = orderOf(facts[0] ?? [], facts[1] ?? [])
  const words = (of: readonly RecordFact[] | undefined, name: string) =>
    (of ?? []).filter((f) => f.name === name).map((f) => `${f.strong ?? ''}${f.words}`)
  return (
    <main className="px-5 py-4 max-sm:px-4">
      <h1 className="sr-only">{W.twoRecordsSideBySide}</h1>
      <div className="grid grid-cols-2 gap-8 max-md:grid-cols-1">
        {[first, second].map((s) => (
          <section key={s.jobId} aria-label={`${s.state.opened.car.name}, ${at(s.state.openedAt)}`} className="min-w-0">
            <a
              href={`/job/${s.jobId}/record`}
              className="text-title font-semibold leading-tight underline-offset-4 hover:underline"
            >
              {s.state.opened.car.name}
            </a>
            <p className="text-body text-ink-2">{at(s.state.openedAt)}</p>
            <RecordPicture picture={s.picture} id={s.jobId} />
          </section>
        ))}
      </div>
      <table className="mt-5 w-full table-fixed text-body max-sm:text-small">
        <caption className="sr-only">{W.whatTheTwoRecordsSay}</caption>
        <colgroup>
          <col className="w-36 max-sm:w-24" />
          <col />
          <col />
        </colgroup>
        <tbody>
          {names.map((name) => {
            const [a, b] = [words(facts[0], name), words(facts[1], name)]
            const same = a.join() === b.join()
            return (
              <tr key={name} className="border-t border-rule align-top">
                <th className="py-1.5 pr-3 text-left font-normal text-ink-2">{name}</th>
                {[a, b].map((side, i) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: the two sides have no other names
                  <td key={i} className={`py-1.5 pr-6 ${same ? 'text-ink-2' : ''}`}>
                    {side.length === 0 ? '' : side.join(' · ')}
                  </td>
                ))}
              </tr>
            )
          })}
        </tbody>
      </table>
    </main>
  )
}

/** Names of both, in the order of the work: the second's own ones where they stand there. */
function orderOf(a: readonly RecordFact[], b: readonly RecordFact[]): string[] {
  const names = [...new Set(a.map((f) => f.name))]
  let last = -1
  for (const { name } of b) {
    const known = names.indexOf(name)
    if (known >= 0) last = known
    else names.splice(++last, 0, name)
  }
  return names
}
