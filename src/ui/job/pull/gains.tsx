import { W } from '@/core/language/screen/job-pull'
import type { Gain } from '@/core/pull/planner'
import type { Planned } from '../../hooks/use-plan'

const minutes = (s: number): string => (Math.abs(s) < 60 ? `${Math.round(s)} s` : W.min(Math.round(s / 60)))

/** Where the pull's minutes go on this rig, and what would win some back. */
export function Gains({ planned }: { planned: Planned | undefined }) {
  if (!planned) return null
  if (!planned.plan)
    return (
      <p className="mt-2 text-small text-ink-2">
        {W.predictingThisPull}
        {Math.round(planned.progress * 100)} %
      </p>
    )
  const { p10S, p50S, p90S } = planned.plan
  return (
    <section
      aria-label={W.prediction}
      className="mt-3 grid grid-cols-3 gap-6 border-t border-rule pt-2 text-small max-sm:grid-cols-1"
    >
      <div>
        <h3 className="font-semibold">{W.predictedToTheTarget}</h3>
        <p>
          {p50S === null ? W.notWithinThisProceduresTime : W.about(minutes(p50S))}
          {p10S !== null && W.n8In10BetweenAnd(minutes(p10S), p90S === null ? W.longerThanShown : minutes(p90S))}
        </p>
        <p className="text-note text-ink-2">{W.fromThisRigAndThe}</p>
      </div>
      <List title={W.itGoesTo} gains={planned.costs} word="costs" />
      <List title={W.whatWouldSave} gains={planned.whatIfs} word="saves" />
    </section>
  )
}

function List({ title, gains, word }: { title: string; gains: Gain[] | undefined; word: string }) {
  const worth = (gains ?? []).filter((g) => g.savesS !== null && g.savesS >= 10).slice(0, 3)
  return (
    <div>
      <h3 className="font-semibold">{title}</h3>
      {gains && worth.length === 0 && <p>{W.nothingThatMattersHere}</p>}
      <ul>
        {worth.map((g) => (
          <li key={g.name} className="flex justify-between gap-3">
            {g.name}
            <span>
              {word} {minutes(g.savesS ?? 0)}
            </span>
          </li>
        ))}
      </ul>
    </div>
  )
}
