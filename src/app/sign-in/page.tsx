import { headers } from 'next/headers'
import { redirect } from 'next/navigation'
import { currentScope } from '@/server/accounts/session'
import { database } from '@/server/db/pool'
import { DEMO_SIGN_INS } from '@/server/demo/sign-ins'
import { ADDRESS_HEADER, isLoopback } from '@/server/sender'
import { findShop } from '@/server/shop/shop'
import { SignInForm } from '@/ui/frame/sign-in-form'

export default async function SignIn() {
  const shop = await findShop(database())
  if (!shop) redirect('/setup')
  if (await currentScope()) redirect('/board')
  const here = isLoopback((await headers()).get(ADDRESS_HEADER) ?? '')
  const demo =
    shop.demo && here ? DEMO_SIGN_INS.map(({ signIn, name, role, password }) => ({ signIn, name, role, password })) : []
  return <SignInForm shopName={shop.name} demo={demo} />
}
