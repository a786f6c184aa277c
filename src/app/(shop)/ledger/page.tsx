import { LedgerQuery } from '@/core/shop/ledger'
import { rightsOf, TRAINEE_RIGHTS } from '@/core/shop/trainee'
import { forPage } from '@/server/accounts/for-page'
import { may } from '@/server/accounts/roles'
import { selectShelf } from '@/server/equipment/shelf'
import { selectBalances, selectLedger, selectTotals } from '@/server/ledger/ledger'
import { LedgerPage } from '@/ui/ledger/ledger-page'

/** Lines on the page at most; the file has all. */
const MOST = 2000

export default async function Ledger({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>
}) {
  const scope = await forPage()
  const asked = LedgerQuery.safeParse(withoutEmpty(await searchParams))
  const query = asked.success ? asked.data : {}
  const [entries, totals, balances, shelf] = await Promise.all([
    selectLedger(scope, query, scope.shop.timeZone, MOST + 1),
    selectTotals(scope, query, scope.shop.timeZone),
    selectBalances(scope),
    selectShelf(scope),
  ])
  const containers = shelf.flatMap((s) =>
    s.kind === 'container' && !s.retired
      ? [{ id: s.id, name: s.name, refrigerant: s.spec.refrigerant, tareG: s.spec.tareG }]
      : [],
  )
  return (
    <LedgerPage
      entries={entries.slice(0, MOST)}
      more={entries.length > MOST}
      totals={totals}
      balances={balances}
      query={query}
      containers={containers}
      timeZone={scope.shop.timeZone}
      mayNotBook={
        scope.user.role === 'trainee' && !rightsOf(scope.shop.traineeRights).bookByHand
          ? TRAINEE_RIGHTS.bookByHand.refused
          : null
      }
      mayCorrect={may(scope.user.role, 'correct-book')}
    />
  )
}

/** A field of a form that was left empty asks for nothing. */
const withoutEmpty = (params: Record<string, string | string[] | undefined>) =>
  Object.fromEntries(Object.entries(params).filter(([, v]) => v !== ''))
