import { send } from '../api'
import { ask } from '../offline/kept'
import { forgetSeen } from '../offline/seen-store'

/** Signs out; nothing of the shop stays on this device but what still waits to be sent. */
export async function signOut(): Promise<void> {
  ask({ do: 'forget' })
  await forgetSeen()
  await send('/api/sign-out', {})
  window.location.assign('/sign-in')
}
