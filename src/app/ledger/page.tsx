import { pageUser } from '@/server/accounts/page-user'
import { database } from '@/server/db/pool'
import { selectShelf } from '@/server/equipment/shelf'
import { selectLedger } from '@/server/ledger/ledger'
import { selectShop } from '@/server/shop/shop'
import { shopView, userView } from '@/server/shop/view'
import { TopBar } from '@/ui/frame/top-bar'
import { LedgerPage } from '@/ui/ledger/ledger-page'

/** Lines on the page at most; the file has all. */
const MOST = 2000

export default async function Ledger() {
  const user = await pageUser()
  const db = database()
  const [shop, entries, shelf] = await Promise.all([selectShop(db), selectLedger(db, null, null, MOST), selectShelf(db)])
  const containers = shelf
    .filter((s) => s.kind === 'container' && !s.retired)
    .map((s) => ({ id: s.id, name: s.name, refrigerant: s.kind === 'container' ? s.spec.refrigerant : 'R-134a' }))
  return (
    <>
      <TopBar shop={shopView(shop)} user={userView(user)} serverNowMs={Date.now()} />
      <LedgerPage entries={entries} containers={containers} timeZone={shop.timeZone} />
    </>
  )
}
