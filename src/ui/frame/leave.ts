import { send } from '../api'
import { ask } from '../offline/kept'
import { forgetSeen } from '../offline/seen-store'

/** Signs out; nothing of the shop stays on this device but what still waits to be sent. */
export async function signOut(): Promise<void> {
  // out first: what is asked for after it is no page of the shop any more
  await send('/api/sign-out', {})
  ask({ do: 'forget' })
  await forgetSeen()
  window.location.assign('/sign-in')
}
