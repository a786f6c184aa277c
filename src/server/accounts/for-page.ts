import { redirect } from 'next/navigation'
import { cache } from 'react'
import { currentScope } from './session'
import type { SessionScope } from './user-scope'

/** Who views a page, found once for its frame and what stands in it; a visitor without a session is sent to sign in. */
export const forPage: () => Promise<SessionScope> = cache(async () => (await currentScope()) ?? redirect('/sign-in'))
