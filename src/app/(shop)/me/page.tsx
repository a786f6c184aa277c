import { forPage } from '@/server/accounts/for-page'
import { hasCalendar } from '@/server/day/calendar'
import { OwnCalendar } from '@/ui/frame/own-calendar'
import { OwnLoudness } from '@/ui/frame/own-loudness'
import { OwnPassword } from '@/ui/frame/own-password'
import { OwnUnits } from '@/ui/frame/own-units'

/** What is one person's own. */
export default async function Me() {
  const scope = await forPage()
  const { user } = scope
  return (
    <main className="grid grid-cols-[440px_minmax(0,1fr)] gap-x-12 gap-y-8 px-5 py-4 max-lg:grid-cols-1 max-sm:px-4">
      <OwnPassword name={user.name} signIn={user.signIn} />
      <div className="space-y-8">
        <OwnUnits />
        <OwnLoudness />
        <OwnCalendar made={await hasCalendar(scope)} />
      </div>
    </main>
  )
}
