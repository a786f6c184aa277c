import type { Rig } from '../job/written'
import { codeWords } from '../language/codes'
import { W } from '../language/equipment/upkeep'
import { DAY_MS } from '../units/constants'
import type { Shelved } from './equipment'

/** Something that is due on a piece of equipment: `due` now, `soon` within a fifth of its interval, or `fine`. */
export type Due = { what: 'oil' | 'seals' | 'calibration'; state: 'due' | 'soon' | 'fine'; words: string; on?: string }

/** Pump oil after every wet job or so many hours; seals and calibration so often (practice; calibration assumed). */
export const OIL_HOURS = 10
const SEALS_DAYS = 365
const CALIBRATION_DAYS = 365
const SOON = 0.8

/** The day of a moment (ms) where the shop is, such as `2026-11-25`: in the evening it is not UTC's. */
export type DayOf = (ms: number) => string

/** What a piece of equipment is due for. @param now - ms */
export function duesOf(item: Shelved, now: number, dayOf: DayOf): Due[] {
  switch (item.kind) {
    case 'pump':
      return [oilDue(item)]
    case 'hose':
      return [byDate('seals', latest(item, 'seals-renewed', item.spec.sealsRenewedOn, dayOf), SEALS_DAYS, dayOf(now))]
    case 'gauge':
    case 'scale':
      return [
        byDate('calibration', latest(item, 'calibrated', item.spec.calibratedOn, dayOf), CALIBRATION_DAYS, dayOf(now)),
      ]
    case 'container':
      return []
    default: {
      const unknown: never = item
      return unknown
    }
  }
}

/** What the parts of a rig are due for, or soon will be, with the part's name first. */
export function duesOfRig(
  rig: { equipment?: Rig['equipment'] },
  shelf: readonly Shelved[],
  now: number,
  dayOf: DayOf,
): Due[] {
  const { equipment } = rig
  if (!equipment) return []
  const ids = [equipment.pump, ...equipment.hoses, equipment.gauge, equipment.scale]
  return ids.flatMap((id) => {
    const item = shelf.find((s) => s.id === id)
    return item
      ? duesOf(item, now, dayOf).flatMap((d) =>
          d.state === 'fine' && d.what !== 'oil' ? [] : [{ ...d, words: `${item.name}: ${d.words}` }],
        )
      : []
  })
}

function oilDue(item: Shelved): Due {
  const { hours, wetJobs } = item.use ?? { hours: 0, wetJobs: 0 }
  const run = W.hOnThisOil(hours.toFixed(1))
  if (wetJobs > 0)
    return {
      what: 'oil',
      state: 'due',
      words: W.oilDueSinceTheChange(wetJobs === 1 ? W.aWetJob : W.wetJobs(wetJobs), run),
    }
  if (hours >= OIL_HOURS) return { what: 'oil', state: 'due', words: W.oilDueIsItsMeasure(run, OIL_HOURS) }
  return {
    what: 'oil',
    state: hours >= SOON * OIL_HOURS ? 'soon' : 'fine',
    words: W.dueAtHOrAfter(run, OIL_HOURS),
  }
}

const latest = (item: Shelved, kind: string, first: string, dayOf: DayOf): string => {
  const done = item.deeds.filter((d) => d.kind === kind).map((d) => dayOf(Date.parse(d.happenedAt)))
  return [first, ...done].sort().at(-1) as string
}

function byDate(what: 'seals' | 'calibration', last: string, days: number, today: string): Due {
  const on = new Date(Date.parse(last) + days * DAY_MS).toISOString().slice(0, 10)
  const used = (Date.parse(today) - Date.parse(last)) / (days * DAY_MS)
  const name = codeWords(what)
  if (used >= 1) return { what, state: 'due', words: W.dueSince(name, on), on }
  return { what, state: used >= SOON ? 'soon' : 'fine', words: W.due(name, on), on }
}
