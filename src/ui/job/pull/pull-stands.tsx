import { W } from '@/core/language/screen/job-pull'
import type { PullAdvice } from '@/core/pull/advice'
import { useSay } from '../../units'

/** Where the pull stands: every explanation that still counts, how likely, why, and what to do about it. */
export function PullStands({ advice, airPa }: { advice: PullAdvice | undefined; airPa: number }) {
  const say = useSay(airPa)
  if (!advice) return null
  return (
    <section aria-label={W.whereThePullStands} className="mt-3 border-t border-rule pt-2 text-small">
      <h3 className="font-semibold">{W.whereItStands}</h3>
      {advice.blind && <p>{advice.blind}</p>}
      {advice.far && advice.ahead > 1.05 && (
        <p>
          {W.theGaugeSitsAt(
            advice.ahead.toFixed(1),
            say.vacuum(advice.far.pa),
            say.vacuumSpan(advice.far.lowPa, advice.far.highPa),
          )}
        </p>
      )}
      <ol className="mt-1">
        {advice.options.map((o, i) => (
          <li
            key={o.kind}
            className={
              'grid grid-cols-[64px_1fr] gap-x-3 border-t border-rule py-1.5 first:border-t-0 ' +
              'max-sm:grid-cols-[52px_1fr]'
            }
          >
            <span className={`figure text-act leading-none ${i === 0 ? 'font-semibold' : ''}`}>
              {Math.round(100 * o.probability)} %
            </span>
            <div className="leading-snug">
              <b className="font-semibold">{o.sentence}</b> {o.why}
              {(i === 0 || o.probability >= 0.2) && <p className="text-ink-2">{o.next}</p>}
            </div>
          </li>
        ))}
      </ol>
      <p className="mt-1 text-note text-ink-2">{W.fromThePredictionTheBoiling}</p>
    </section>
  )
}
