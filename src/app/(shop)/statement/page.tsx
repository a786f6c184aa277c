import { Period } from '@/core/shop/statement'
import { forPage } from '@/server/accounts/for-page'
import { selectStatement } from '@/server/ledger/statement'
import { dayIn } from '@/ui/format'
import { StatementPage } from '@/ui/ledger/statement-page'

export default async function Statement({
  searchParams,
}: {
  searchParams: Promise<{ from?: string | string[]; to?: string | string[] }>
}) {
  const scope = await forPage()
  const { timeZone } = scope.shop
  const year = dayIn(timeZone)(Date.now()).slice(0, 4)
  const asked = Period.safeParse(await searchParams)
  const period = asked.success ? asked.data : { from: `${year}-01-01`, to: `${year}-12-31` }
  return (
    <StatementPage
      shop={scope.shop.name}
      period={period}
      year={Number(year)}
      fault={!asked.success && Object.keys(await searchParams).length > 0 ? (asked.error.issues[0]?.message ?? '') : ''}
      statements={await selectStatement(scope, period, timeZone)}
    />
  )
}
