import { Period } from '@/core/shop/statement'
import { DAY_MS } from '@/core/units/constants'
import { forPage } from '@/server/accounts/for-page'
import { selectPeople } from '@/server/book/people'
import { PeoplePage } from '@/ui/book/people-page'
import { dayIn } from '@/ui/format'

/** A quarter of a year says something of a hand and is still remembered. */
const USUAL_DAYS = 91

export default async function People({ searchParams }: { searchParams: Promise<Record<string, string | string[]>> }) {
  const scope = await forPage()
  const { timeZone } = scope.shop
  const now = Date.now()
  const asked = Period.safeParse(await searchParams)
  const day = dayIn(timeZone)
  const period = asked.success ? asked.data : { from: day(now - USUAL_DAYS * DAY_MS), to: day(now) }
  const lead = scope.user.role === 'lead'
  return (
    <PeoplePage
      period={period}
      lead={lead}
      people={await selectPeople(scope, period, timeZone, lead ? null : scope.user.id)}
    />
  )
}
