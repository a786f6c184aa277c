import { redirect } from 'next/navigation'
import { fingerprintOf } from '@/core/record/record'
import { nodeCrypto } from '@/node/record-crypto'
import { selectAccounts } from '@/server/accounts/accounts'
import { pageUser } from '@/server/accounts/page-user'
import { may } from '@/server/accounts/roles'
import { database } from '@/server/db/pool'
import { selectProcedures } from '@/server/shop/catalogue'
import { selectShop } from '@/server/shop/shop'
import { shopView, userView } from '@/server/shop/view'
import { TopBar } from '@/ui/frame/top-bar'
import { ShopPage } from '@/ui/shop/shop-page'

export default async function Shop() {
  const user = await pageUser()
  if (!may(user.role, 'edit-shop')) redirect('/board')
  const db = database()
  const [shop, procedures, accounts] = await Promise.all([selectShop(db), selectProcedures(db), selectAccounts(db)])
  const people = accounts.map(({ id, name, signIn, role, certificate, disabledAt }) => ({
    id,
    name,
    signIn,
    role,
    certificate,
    disabled: disabledAt !== null,
  }))
  return (
    <>
      <TopBar shop={shopView(shop)} user={userView(user)} serverNowMs={Date.now()} />
      <ShopPage
        procedures={procedures}
        people={people}
        me={user.id}
        fingerprint={fingerprintOf(shop.publicKey, nodeCrypto) ?? ''}
      />
    </>
  )
}
