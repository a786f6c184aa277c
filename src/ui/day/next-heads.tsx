import type { NextDeed } from '@/core/day/next-deed'
import type { ShopPlan } from '@/core/day/plan-shop'
import { W } from '@/core/language/screen/day'
import { MINUTE_MS } from '@/core/units/constants'
import { deedWords, personName } from '@/core/words/shop-plan-words'

/** People whose next deed stands large; others in small beside them. */
const LARGE = 3

/** The one next deed of each person: whoever looks first, and in the accent. */
export function NextHeads({
  plan,
  deeds,
  viewerId,
  clock,
  wall = false,
}: {
  plan: ShopPlan
  deeds: readonly NextDeed[]
  viewerId: string | null
  clock: (ms: number) => string
  wall?: boolean
}) {
  if (deeds.length === 0) return <p className="py-4 text-head">{W.nothingIsPlannedForAnybody}</p>
  const first = [...deeds].sort((a, b) => Number(b.person === viewerId) - Number(a.person === viewerId))
  const at = (minutes: number) => clock(plan.madeMs + minutes * MINUTE_MS)
  return (
    <ul
      aria-label={W.whoDoesWhatNext}
      className="flex min-w-0 flex-1 divide-x divide-rule max-sm:flex-col max-sm:divide-x-0 max-sm:divide-y"
    >
      {first.slice(0, LARGE).map((deed, i) => (
        <li key={deed.person} className={`min-w-0 flex-1 py-2 pr-5 ${i > 0 ? 'pl-5 max-sm:pl-0' : ''}`}>
          <p className="text-small text-ink-2" suppressHydrationWarning>
            {deed.begun
              ? W.isAtItUntil(personName(plan, deed.person), at(deed.row.to))
              : W.next(personName(plan, deed.person))}
          </p>
          <div className="flex items-center gap-4 max-xl:block">
            <p
              className={
                `figure font-semibold ${wall ? 'text-fig-l' : 'text-fig-m max-sm:text-fig-s'} ` +
                `${deed.person === viewerId ? 'text-accent' : ''}`
              }
              suppressHydrationWarning
            >
              {deed.now ? W.now : at(deed.row.from)}
            </p>
            <p className="min-w-0 text-row font-semibold leading-tight first-letter:uppercase" suppressHydrationWarning>
              {deedWords(plan, deed)}
            </p>
          </div>
        </li>
      ))}
      {first.length > LARGE && (
        <li className="min-w-0 py-2 pl-5 text-small max-sm:pl-0" suppressHydrationWarning>
          {first.slice(LARGE).map((deed) => (
            <p key={deed.person} className="truncate">
              <b className="font-semibold">
                {W.whoWhen(personName(plan, deed.person), deed.now ? W.now2 : at(deed.row.from))}
              </b>{' '}
              {deedWords(plan, deed)}
            </p>
          ))}
        </li>
      )}
    </ul>
  )
}
