import { currentScope } from '@/server/accounts/session'
import { handle } from '@/server/http'

export const dynamic = 'force-dynamic'

/** Whether whoever asks is signed in: a page whose stream was refused tells by it what to say. */
export const GET = handle(async () => Response.json({ signedIn: (await currentScope()) !== null }))
