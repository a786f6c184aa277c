import type { JobState } from '@/core/procedure/state'
import { typicalBands } from '@/core/prove/bands'
import { diagnose } from '@/core/prove/diagnose'
import { proofHistory } from '@/core/prove/proof-history'

/** What the readings of the proof point to, likeliest first; never a certainty. */
export function Causes({ state }: { state: JobState }) {
  const { proof } = state
  if (!proof) return null
  const { label, place } = state.opened
  const causes = diagnose(proof, typicalBands(label.refrigerant, proof.ambientC, place.barometerPa), proofHistory(state)).slice(0, 4)
  return (
    <section aria-label="What the readings point to" className="mt-4 max-w-[820px] border-t border-rule pt-2 text-[16px]">
      <h3 className="text-[17px] font-semibold">What this points to; two needles are never a certainty</h3>
      <p className="mt-0.5">{causes[0]?.reason}</p>
      <ol className="mt-1">
        {causes.map((c, i) => (
          <li key={c.kind} className="grid grid-cols-[64px_1fr] gap-x-3 border-t border-rule py-1.5 first:border-t-0">
            <span className={`figure text-[26px] leading-none ${i === 0 ? 'font-semibold' : ''}`}>{Math.round(100 * c.chance)} %</span>
            <div className="leading-snug">
              <b className="font-semibold">{c.sentence}</b> {i === 0 || c.chance >= 0.2 ? c.next : ''}
            </div>
          </li>
        ))}
      </ol>
    </section>
  )
}
