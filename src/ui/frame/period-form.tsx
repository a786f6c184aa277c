import type { ReactNode } from 'react'
import { W } from '@/core/language/screen/frame-period-form'
import type { Period } from '@/core/shop/statement'

/** From which day to which: an ordinary form, so that the address says it and can be kept. */
export function PeriodForm({
  action,
  name,
  period,
  children,
}: {
  action: string
  name: string
  period: Period
  children?: ReactNode
}) {
  const box = 'field mt-0.5 !min-h-11 !text-small'
  return (
    <form method="get" action={action} aria-label={name} className="no-print flex flex-wrap items-end gap-3 text-small">
      {children}
      <label className="w-40">
        {W.from}
        <input type="date" name="from" defaultValue={period.from} className={box} />
      </label>
      <label className="w-40">
        {W.to}
        <input type="date" name="to" defaultValue={period.to} className={box} />
      </label>
      <button type="submit" className="plain-button">
        {W.showIt}
      </button>
    </form>
  )
}
