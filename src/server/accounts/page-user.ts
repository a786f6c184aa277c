import { redirect } from 'next/navigation'
import type { Account } from './accounts'
import { currentUser } from './session'

/** Who views a page; a visitor without a session is sent to sign in. */
export async function pageUser(): Promise<Account> {
  return (await currentUser()) ?? redirect('/sign-in')
}
