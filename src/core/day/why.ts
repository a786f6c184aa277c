import type { Day, DayPlan, DayRow, Minutes } from './day'

/** Why a step does not begin the moment its car is ready: whose hands, which rig, or what comes first. */
export type Why =
  | { code: 'person'; car: string; step: string; waits: Minutes; person: string; busyWith: string; atStep: string }
  | { code: 'rig'; car: string; waits: Minutes; rig: string; heldBy: string }
  | { code: 'scale'; car: string; waits: Minutes; scale: string; heldBy: string }
  | { code: 'away'; car: string; step: string; waits: Minutes; person: string }
  | { code: 'late'; car: string; late: Minutes }

/** Waits shorter than this are not worth a word, min. */
const WORTH_MIN = 3

/** What each car waits for in a plan, the longest first; and which cars are late by how much. */
export function whyOf(day: Day, plan: DayPlan, late: Readonly<Record<string, Minutes>>): Why[] {
  const waits = day.cars.flatMap((car) => {
    const own = plan.rows.filter((r) => r.car === car.id).sort((a, b) => a.from - b.from)
    return own.flatMap((row, i): Why[] => {
      const ready = i === 0 ? Math.max(0, car.arrives) : (own[i - 1] as DayRow).to
      // a pump that runs on waits for hands as much as a car that stands
      const stood = own[i - 1]?.step === 'pull' ? ready - stretched(day, car.id, own[i - 1] as DayRow) : ready
      const waited = row.from - stood
      if (waited < WORTH_MIN) return []
      const reason = reasonOf(day, plan, row, stood, waited)
      return reason ? [reason] : []
    })
  })
  const lates = day.cars.flatMap((car): Why[] => {
    const by = late[car.id] ?? 0
    return by > 0.05 ? [{ code: 'late', car: car.id, late: by }] : []
  })
  return [...lates, ...waits.sort((a, b) => ('waits' in b ? b.waits : 0) - ('waits' in a ? a.waits : 0))]
}

/** How much longer a pull runs than it has to, min. */
function stretched(day: Day, car: string, row: DayRow): Minutes {
  const step = day.cars.find((c) => c.id === car)?.steps.find((s) => s.step === row.step && s.wait !== undefined)
  const wait = (row.rig !== null ? step?.waitBy?.[row.rig] : undefined) ?? step?.wait ?? 0
  return Math.max(0, row.to - row.from - wait)
}

function reasonOf(day: Day, plan: DayPlan, row: DayRow, since: Minutes, waits: Minutes): Why | null {
  const over = (other: DayRow) => other.car !== row.car && other.from < row.from && other.to > since
  if (row.step === 'rig') {
    const holder = plan.rows.filter((r) => r.rig === row.rig && over(r)).at(-1)
    if (holder) return { code: 'rig', car: row.car, waits, rig: row.rig ?? '', heldBy: holder.car }
  }
  if (row.scale) {
    const holder = plan.rows.find((r) => r.scale === row.scale && over(r))
    if (holder) return { code: 'scale', car: row.car, waits, scale: row.scale, heldBy: holder.car }
  }
  if (!row.person) return null
  const busy = plan.rows.filter((r) => r.person === row.person && over(r)).at(-1)
  if (busy)
    return {
      code: 'person',
      car: row.car,
      step: row.step,
      waits,
      person: row.person,
      busyWith: busy.car,
      atStep: busy.step,
    }
  const away = day.away.some((a) => a.person === row.person && a.from < row.from && a.to > since)
  return away ? { code: 'away', car: row.car, step: row.step, waits, person: row.person } : null
}
