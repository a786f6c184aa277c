import type { ShopPlan } from '@/core/day/plan-shop'
import { W } from '@/core/language/screen/day'
import { MINUTE_MS } from '@/core/units/constants'
import { carName } from '@/core/words/shop-plan-words'

/** The day for a sheet of paper: each person's deeds with a box to tick. */
export function DayPaper({ plan, moment }: { plan: ShopPlan; moment: (ms: number) => string }) {
  const at = (minutes: number) => moment(plan.madeMs + Math.max(0, minutes) * MINUTE_MS)
  return (
    <section aria-label={W.theDayOnPaper} className="hidden print:block">
      <p className="text-body" suppressHydrationWarning>
        {W.plannedAtItChanges(moment(plan.madeMs))}
      </p>
      <div className="grid grid-cols-2 gap-x-8">
        {plan.shop.people.map((person) => {
          const rows = plan.rows.filter((r) => r.person === person.id)
          if (rows.length === 0) return null
          return (
            <table key={person.id} className="mt-4 w-full break-inside-avoid text-small">
              <caption className="text-left text-lead font-semibold">{person.name}</caption>
              <tbody>
                {rows.map((row) => (
                  <tr key={`${row.car} ${row.step} ${row.from}`} className="border-b border-rule">
                    <td className="w-6 py-1">
                      <span className="block h-4 w-4 border-[1.5px] border-ink" />
                    </td>
                    <td className="w-24 font-semibold" suppressHydrationWarning>
                      {at(row.from)}
                    </td>
                    <td>{carName(plan, row.car)}</td>
                    <td>{row.step}</td>
                    <td>{row.step === 'rig' ? row.rig : (row.scale ?? '')}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )
        })}
      </div>
    </section>
  )
}
