import { redirect } from 'next/navigation'
import { fingerprintOf } from '@/core/record/record'
import { nodeCrypto } from '@/node/record-crypto'
import { selectAccounts } from '@/server/accounts/accounts'
import { forPage } from '@/server/accounts/for-page'
import { may } from '@/server/accounts/roles'
import { selectProcedures } from '@/server/shop/catalogue'
import { ShopPage } from '@/ui/shop/shop-page'

export default async function Shop() {
  const scope = await forPage()
  if (!may(scope.user.role, 'edit-shop')) redirect('/board')
  const [procedures, accounts] = await Promise.all([selectProcedures(scope), selectAccounts(scope)])
  const people = accounts.map(({ id, name, signIn, role, certificate, disabledAt }) => ({
    id,
    name,
    signIn,
    role,
    certificate,
    disabled: disabledAt !== null,
  }))
  return (
    <ShopPage
      procedures={procedures}
      people={people}
      me={scope.user.id}
      fingerprint={fingerprintOf(scope.shop.publicKey, nodeCrypto) ?? ''}
    />
  )
}
