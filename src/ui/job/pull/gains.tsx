import { W } from '@/core/language/screen/job-pull'
import { changeWords } from '@/core/pull/changes'
import type { PullForecast } from '@/core/pull/forecast'
import type { Gain } from '@/core/pull/planner'
import type { Planned } from '../../hooks/use-plan'

const minutes = (s: number): string => (Math.abs(s) < 60 ? `${Math.round(s)} s` : W.min(Math.round(s / 60)))

/** A change worth a line: what it is, and what it brings. */
type Line = { name: string; brings: string }

/** Less than this is not worth the walk, s. */
const WORTH_S = 10
const MOST_LINES = 3
/** Where most such pulls do not get there, a change is worth a line that brings so many more there. */
const WORTH_CHANCE = 0.2

const linesOf = (gains: readonly Gain[], word: string): Line[] =>
  gains.flatMap(({ name, savesS }) =>
    savesS !== null && savesS >= WORTH_S ? [{ name, brings: `${word} ${minutes(savesS)}` }] : [],
  )

/** What the readings say would help from now on: where the pull gets nowhere, what gets it there. */
const soonerLines = ({ sooner = [], reaches }: PullForecast): Line[] =>
  sooner.flatMap(({ kind, savesS, reaches: then }) => {
    const name = changeWords(kind)
    if (reaches < 0.5 && then >= reaches + WORTH_CHANCE) return [{ name, brings: W.getsItThere(Math.round(10 * then)) }]
    return savesS !== null && savesS >= WORTH_S ? [{ name, brings: `${W.saves} ${minutes(savesS)}` }] : []
  })

/**
 * Where the pull's minutes go on this rig, and what would win some back: by the prediction, and once the pull was read
 * by what its readings say.
 */
export function Gains({ planned, forecast }: { planned: Planned | undefined; forecast: PullForecast | undefined }) {
  if (!planned) return null
  if (!planned.plan)
    return <p className="mt-2 text-small text-ink-2">{W.predictingThisPull2(Math.round(planned.progress * 100))}</p>
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
      <List title={W.itGoesTo} lines={planned.costs && linesOf(planned.costs, W.costs)} />
      <List
        title={forecast?.sooner ? W.whatWouldHelpNow : W.whatWouldSave}
        lines={forecast?.sooner ? soonerLines(forecast) : planned.whatIfs && linesOf(planned.whatIfs, W.saves)}
      />
    </section>
  )
}

function List({ title, lines }: { title: string; lines: Line[] | undefined }) {
  return (
    <div>
      <h3 className="font-semibold">{title}</h3>
      {lines && lines.length === 0 && <p>{W.nothingThatMattersHere}</p>}
      <ul>
        {lines?.slice(0, MOST_LINES).map(({ name, brings }) => (
          <li key={name} className="flex justify-between gap-3">
            {name}
            <span>{brings}</span>
          </li>
        ))}
      </ul>
    </div>
  )
}
