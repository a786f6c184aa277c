import Link from 'next/link'
import { boardAlarm } from '@/core/board/needed'
import { alarmWords } from '@/core/call/alarm-words'
import { clockFactor, wallTimeMs } from '@/core/job/clock'
import { doingWords, stepLabel } from '@/core/job/doing'
import type { JobSummary } from '@/core/job/summary'
import { W } from '@/core/language/screen/board'
import { drawnPa, strataOf } from '@/core/pull/strata'
import { vacuumSeen } from '@/core/readings/vacuum-seen'
import { sayIn } from '@/core/units/say'
import type { Units } from '@/core/units/shown'
import type { BoardRow } from '@/core/views'
import { DepthStrip } from '../chart/depth-strip'
import { Sign } from '../form/sign'
import { useClock, useUnits } from '../units'
import { type Axis, share } from './time-axis'

/** What a car calls for, in two words for its line. */
const ALARM_WORDS = {
  target: W.targetReached,
  decided: W.holdDecided,
  silent: W.gaugeSilent,
  time: W.timeIsUp,
  read: W.readItsGauge,
} as const

export function strataOfSummary(s: JobSummary) {
  return strataOf(s.barometerPa, s.ambientC, s.targetPa, s.ultimatePa)
}

/** One car: its strip, its step, the time it needs someone, and its day on the common axis. */
export function BoardLine({
  row,
  axis,
  timeZone,
  needed,
}: {
  row: BoardRow
  axis: Axis
  timeZone: string
  needed: number
}) {
  const { summary, vacuumPa, clock } = row
  const units = useUnits()
  const clockText = useClock(timeZone)
  const factor = clock.length > 0 ? clockFactor(clock) : 1
  const depth = summary.step === 'pull' || summary.step === 'hold' || summary.step === 'isolate'
  const shown = depth ? vacuumPa : null
  const alarm = boardAlarm(row, axis.nowMs)
  const calls = row.ringing[0] ? alarmWords(row.ringing[0].id) : alarm && ALARM_WORDS[alarm]
  return (
    // a line below the screen's edge is laid out and painted when it is scrolled to: a long board appears at once
    <li className="border-b border-rule [content-visibility:auto] [contain-intrinsic-height:auto_58px]">
      <Link href={`/job/${row.id}`} className="grid min-h-[58px] grid-cols-[386px_1fr] items-center max-lg:grid-cols-1">
        <span
          className={
            'grid grid-cols-[36px_130px_118px_74px] items-center gap-x-1 py-1 pr-4 ' +
            'max-lg:grid-cols-[36px_1fr_1fr_78px]'
          }
        >
          <DepthStrip
            strata={strataOfSummary(summary)}
            vacuumPa={shown === null ? null : drawnPa(gaugeOf(row), shown)}
          />
          <span className="min-w-0">
            <b className="block truncate text-row font-semibold leading-tight">{summary.name}</b>
            <span className="block truncate text-note text-ink-2">{summary.signed ? summary.model : whoAt(row)}</span>
          </span>
          <span className="min-w-0">
            <b className="block truncate text-small font-semibold leading-tight">
              {summary.signed ? W.signed : summary.rests === 'parked' ? W.leftStanding : stepLabel(summary.step)}
            </b>
            {calls ? (
              <b className="block truncate text-note font-semibold" suppressHydrationWarning>
                <Sign kind="caution" />
                {calls}
              </b>
            ) : (
              <span className="block truncate text-note">
                {shown !== null && summary.comeBackAt ? shownBy(row, shown, units.vacuum) : lineOf(row, units)}
              </span>
            )}
          </span>
          <span className="text-right text-row font-medium whitespace-nowrap" suppressHydrationWarning>
            {Number.isFinite(needed) ? (needed < 0 ? W.now : clockText(needed)) : '–'}
            {factor > 1 && (
              <small className="block text-note font-normal text-caution">
                {W.clock}
                {factor}
              </small>
            )}
          </span>
        </span>
        <Day row={row} axis={axis} needed={needed} clock={clockText} />
      </Link>
    </li>
  )
}

/** Whose car it is, and who else is at it now. */
function whoAt({ whose, here, summary }: BoardRow): string {
  const others = here.filter((name) => name !== whose.name)
  // first names: the line is short, and a shop knows its own
  const first = (name: string) => name.split(' ')[0] ?? name
  const at = [first(whose.name), ...others.map((name) => `+ ${first(name)}`)].filter((part) => part !== '')
  return [at.join(' '), summary.model].filter((part) => part !== '').join(' · ')
}

/** What a car is about, a charge's weight in the reader's unit. */
const lineOf = ({ summary }: BoardRow, units: Units): string =>
  summary.targetG === undefined ? doingWords(summary) : W.to(sayIn(units).mass(summary.targetG))

const gaugeOf = ({ summary, unit }: BoardRow) =>
  summary.gauge === 'needle' || unit === 'inHgV' ? 'needle' : 'electronic'

/** What a car's gauge shows, in its own unit: a needle knows inches. */
function shownBy(row: BoardRow, pa: number, own: Units['vacuum']): string {
  const { text, unit } = vacuumSeen(pa, gaugeOf(row), row.summary.barometerPa, own)
  return `${text} ${unit.startsWith('inHg') ? 'inHg' : unit}`
}

function Day({
  row,
  axis,
  needed,
  clock,
}: {
  row: BoardRow
  axis: Axis
  needed: number
  clock: (ms: number) => string
}) {
  const wall = (iso: string) => (row.clock.length > 0 ? wallTimeMs(row.clock, Date.parse(iso)) : Date.parse(iso))
  const waits = needed > axis.nowMs && Number.isFinite(needed)
  return (
    <span className="relative block h-[58px] overflow-hidden max-lg:hidden" aria-hidden="true" suppressHydrationWarning>
      {row.summary.visits.map((visit) => {
        const left = share(axis, wall(visit.startedAt))
        const right = share(axis, visit.endedAt ? wall(visit.endedAt) : axis.nowMs)
        const waiting = visit.step === 'pull' || visit.step === 'hold'
        return (
          <span
            key={visit.startedAt + visit.step}
            className={
              `absolute top-[20px] h-[27px] overflow-hidden whitespace-nowrap px-1.5 text-note leading-[26px] ` +
              `${waiting ? 'border-b-2 border-ink bg-deep text-ink' : 'rounded-sm bg-ink text-ground'}`
            }
            style={{ left: `${left * 100}%`, width: `calc(${Math.max(0, right - left) * 100}% - 2px)` }}
          >
            {right - left > 0.065 ? stepLabel(visit.step).replace(/^\d+ /, '').toLowerCase() : ''}
          </span>
        )
      })}
      {waits && (
        <>
          <span
            className="absolute top-[20px] h-[27px] border-y-[1.5px] border-dashed border-ink"
            style={{
              left: `${share(axis, axis.nowMs) * 100}%`,
              width: `${(share(axis, needed) - share(axis, axis.nowMs)) * 100}%`,
            }}
          />
          <span
            className="absolute top-0 h-full border-l-[3px] border-ink"
            style={{ left: `${share(axis, needed) * 100}%` }}
          >
            <b
              className={
                'block bg-ink py-px pr-4 pl-1.5 text-note font-semibold text-ground ' +
                '[clip-path:polygon(0_0,100%_0,86%_50%,100%_100%,0_100%)]'
              }
            >
              {clock(needed)}
            </b>
          </span>
        </>
      )}
      <span
        className="absolute top-0 h-full border-l-2 border-ink"
        style={{ left: `${share(axis, axis.nowMs) * 100}%` }}
      />
    </span>
  )
}
