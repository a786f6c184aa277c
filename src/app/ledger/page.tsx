import { LedgerQuery } from '@/core/shop/ledger'
import { pageUser } from '@/server/accounts/page-user'
import { may } from '@/server/accounts/roles'
import { database } from '@/server/db/pool'
import { selectShelf } from '@/server/equipment/shelf'
import { selectBalances, selectLedger } from '@/server/ledger/ledger'
import { selectShop } from '@/server/shop/shop'
import { shopView, userView } from '@/server/shop/view'
import { TopBar } from '@/ui/frame/top-bar'
import { LedgerPage } from '@/ui/ledger/ledger-page'

/** Lines on the page at most; the file has all. */
const MOST = 2000

export default async function Ledger({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>
}) {
  const user = await pageUser()
  const db = database()
  const asked = LedgerQuery.safeParse(withoutEmpty(await searchParams))
  const query = asked.success ? asked.data : {}
  const shop = await selectShop(db)
  const [entries, balances, shelf] = await Promise.all([
    selectLedger(db, query, shop.timeZone, MOST),
    selectBalances(db),
    selectShelf(db),
  ])
  const containers = shelf
    .filter((s) => s.kind === 'container' && !s.retired)
    .map((s) => ({ id: s.id, name: s.name, refrigerant: s.kind === 'container' ? s.spec.refrigerant : 'R-134a' }))
  return (
    <>
      <TopBar shop={shopView(shop)} user={userView(user)} serverNowMs={Date.now()} />
      <LedgerPage
        entries={entries}
        balances={balances}
        query={query}
        containers={containers}
        timeZone={shop.timeZone}
        mayCorrect={may(user.role, 'correct-book')}
      />
    </>
  )
}

/** A field of a form that was left empty asks for nothing. */
const withoutEmpty = (params: Record<string, string | string[] | undefined>) =>
  Object.fromEntries(Object.entries(params).filter(([, v]) => v !== ''))
