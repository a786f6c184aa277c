import { redirect } from 'next/navigation'
import { database } from '@/server/db/pool'
import { findShop } from '@/server/shop/shop'
import { OnceAwake } from '@/ui/frame/once-awake'
import { SetUp } from '@/ui/set-up/set-up'

export const dynamic = 'force-dynamic'

/** The first page of an empty installation. */
export default async function SetUpPage() {
  if (await findShop(database())) redirect('/sign-in')
  return (
    <OnceAwake>
      <SetUp />
    </OnceAwake>
  )
}
