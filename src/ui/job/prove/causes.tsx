import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-prove'
import { bandsFor } from '@/core/prove/bands'
import { diagnose } from '@/core/prove/diagnose'
import { proofHistory } from '@/core/prove/proof-history'
import { useSay } from '../../units'

/** What the readings of the proof and the whole job point to, likeliest first; never a certainty. */
export function Causes({ state, cycling }: { state: JobState; cycling: boolean }) {
  const say = useSay()
  const causes = diagnose(
    state.proofs.map((reading) => ({ reading, bands: bandsFor(state, reading) })),
    proofHistory(state, cycling),
    say,
  ).slice(0, 4)
  if (causes.length === 0) return null
  return (
    <section aria-label={W.whatTheReadingsPointTo} className="mt-4 max-w-[880px] border-t border-rule pt-2 text-small">
      <h3 className="text-body font-semibold">{W.whatThisPointsToTwo}</h3>
      <p className="mt-0.5">{causes[0]?.reason}</p>
      <ol className="mt-1">
        {causes.map((c, i) => (
          <li key={c.kind} className="grid grid-cols-[72px_1fr] gap-x-3 border-t border-rule py-1.5 first:border-t-0">
            <span className={`figure whitespace-nowrap text-act leading-none ${i === 0 ? 'font-semibold' : ''}`}>
              {Math.round(100 * c.chance)} %
            </span>
            <div className="leading-snug">
              <b className="font-semibold">{c.sentence}</b> {i === 0 || c.chance >= 0.2 ? c.next : ''}
            </div>
          </li>
        ))}
      </ol>
    </section>
  )
}
