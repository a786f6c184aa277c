'use client'

import { LEAK_CHECKS } from '@/core/job/leak'
import { W } from '@/core/language/screen/job-fix'
import { CHECKS, HALF_AT_G, HITS } from '@/core/leak/checks'
import { Fold } from '../../../form/fold'
import { useSay } from '../../../units'

const NEEDS = {
  nothing: 'nothing',
  vacuum: W.aVacuumThatStands,
  pressure: W.pressureInside,
  charge: W.aPartCharge,
} as const
const percent = (share: number): string => `${Math.round(100 * share)}`

/** Every check with its minutes, what it needs, finds and misses; the figures are assumed, and said so. */
export function ChecksTable() {
  const say = useSay()
  return (
    <Fold title={W.theChecksWhatEachFinds} className="border-t border-rule">
      <p className="mb-2 max-w-[760px] text-small leading-snug">{W.allFiguresAreAssumedHow}</p>
      <div className="overflow-x-auto pb-3">
        <table className="w-full min-w-[640px] text-small">
          <thead>
            <tr className="text-left text-ink-2">
              <th className="py-1 pr-3 font-medium">{W.check}</th>
              <th className="py-1 pr-3 text-right font-medium">{W.min}</th>
              <th className="py-1 pr-3 font-medium">{W.needs}</th>
              <th className="py-1 pr-3 font-medium">{W.showsHalfAt}</th>
              <th className="py-1 font-medium">{W.misses}</th>
            </tr>
          </thead>
          <tbody>
            {LEAK_CHECKS.map((check) => {
              const { name, minutes, needs, misses } = CHECKS[check]
              const hits = check in HITS ? (check as keyof typeof HITS) : null
              return (
                <tr key={check} className="border-t border-rule align-top">
                  <th scope="row" className="py-1.5 pr-3 text-left font-semibold">
                    {name}
                  </th>
                  <td className="figure py-1.5 pr-3 text-right">{minutes}</td>
                  <td className="py-1.5 pr-3">{NEEDS[needs]}</td>
                  <td className="py-1.5 pr-3 whitespace-nowrap">
                    {hits &&
                      `${[HITS[hits].open, HITS[hits].behind, HITS[hits].inside].map(percent).join(' · ')}, ` +
                        `${say.aYear(HALF_AT_G[hits])}`}
                  </td>
                  <td className="py-1.5">{misses}</td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </div>
    </Fold>
  )
}
