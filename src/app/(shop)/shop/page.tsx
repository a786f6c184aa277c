import { headers } from 'next/headers'
import { redirect } from 'next/navigation'
import { fingerprintOf } from '@/core/record/record'
import { rightsOf } from '@/core/shop/trainee'
import { nodeCrypto } from '@/node/record-crypto'
import { selectAccounts } from '@/server/accounts/accounts'
import { forPage } from '@/server/accounts/for-page'
import { may } from '@/server/accounts/roles'
import { addressOf } from '@/server/http'
import { selectInstruments } from '@/server/instruments/instruments'
import { selectProcedures } from '@/server/shop/catalogue'
import { selectPlaces } from '@/server/shop/places'
import { LOGGED, selectShopLog } from '@/server/shop/shop-log'
import { ShopPage } from '@/ui/shop/shop-page'

export default async function Shop() {
  const scope = await forPage()
  if (!may(scope.user.role, 'edit-shop')) redirect('/board')
  const { certificateAsked, backupDays, backedUpAt, onSale, leadAfterMin, publicKey } = scope.shop
  const [places, procedures, accounts, instruments, asked, logged] = await Promise.all([
    selectPlaces(scope),
    selectProcedures(scope),
    selectAccounts(scope),
    selectInstruments(scope),
    headers(),
    selectShopLog(scope),
  ])
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
      places={places}
      rules={{ certificateAsked, backupDays, leadAfterMin, backedUpAt: backedUpAt?.toISOString() ?? null }}
      instruments={instruments}
      onSale={onSale}
      address={addressOf(asked)}
      procedures={procedures}
      people={people}
      me={scope.user.id}
      trainee={rightsOf(scope.shop.traineeRights)}
      logged={logged.map((l) => ({ ...l, what: LOGGED[l.what] }))}
      timeZone={scope.shop.timeZone}
      publicKey={publicKey}
      fingerprint={fingerprintOf(publicKey, nodeCrypto) ?? ''}
    />
  )
}
