import { invitedBy } from '@/server/accounts/invitations'
import { database } from '@/server/db/pool'
import { scopeOf } from '@/server/db/scope'
import { selectShop } from '@/server/shop/shop'
import { OnceAwake } from '@/ui/frame/once-awake'
import { Welcome } from '@/ui/frame/welcome'

export const dynamic = 'force-dynamic'

/** Where somebody's link leads: a password is chosen, once. */
export default async function WelcomePage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params
  const shop = await selectShop(database())
  const invited = await invitedBy(scopeOf(shop.id), token.slice(0, 80))
  return (
    <OnceAwake>
      <Welcome shopName={shop.name} token={token} name={invited?.name ?? null} signIn={invited?.signIn ?? ''} />
    </OnceAwake>
  )
}
