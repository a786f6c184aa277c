import type { ShopPlan } from '@/core/day/plan-shop'
import { W } from '@/core/language/screen/day'
import { MINUTE_MS } from '@/core/units/constants'
import { carName, personName } from '@/core/words/shop-plan-words'
import type { DayViewer } from './viewer'

/** On a phone: what whoever looks does, one under the other, and then everybody else. */
export function OwnDay({
  plan,
  viewer,
  nowMs,
  clock,
}: {
  plan: ShopPlan
  viewer: DayViewer
  nowMs: number
  clock: (ms: number) => string
}) {
  const now = (nowMs - plan.madeMs) / MINUTE_MS
  const rows = plan.rows.filter((r) => r.person !== null && r.to > now)
  const own = rows.filter((r) => r.person === viewer.id)
  const list = own.length > 0 ? own : rows
  return (
    <section aria-label={W.ownDay} className="no-print lg:hidden">
      <h2 className="mt-3 text-row font-semibold">{own.length > 0 ? W.yourDay : W.everybodysDay}</h2>
      <ul className="border-t border-rule">
        {list.slice(0, 30).map((row) => (
          <li
            key={`${row.car} ${row.step} ${row.from}`}
            className="flex min-h-11 items-center gap-3 border-b border-rule text-body"
            suppressHydrationWarning
          >
            <b className="w-14 shrink-0 font-semibold">
              {row.from <= now ? W.now2 : clock(plan.madeMs + row.from * MINUTE_MS)}
            </b>
            <span className="min-w-0">
              {carName(plan, row.car)}, {row.step}
              {own.length === 0 && row.person !== null && `: ${personName(plan, row.person)}`}
              {row.rig && row.step === 'rig' && `, ${row.rig}`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
