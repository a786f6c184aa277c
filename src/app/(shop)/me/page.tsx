import { forPage } from '@/server/accounts/for-page'
import { OwnPassword } from '@/ui/frame/own-password'

/** What is one person's own. */
export default async function Me() {
  const { user } = await forPage()
  return <OwnPassword name={user.name} signIn={user.signIn} />
}
