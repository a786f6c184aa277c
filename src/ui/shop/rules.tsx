'use client'

import { formatDistanceStrict } from 'date-fns'
import { useRouter } from 'next/navigation'
import { Choice } from '../form/field'
import { Pick } from '../form/pick'
import { Refused } from '../form/refused'
import { Sign } from '../form/sign'
import { useSend } from '../form/use-send'
import { useSaid } from '../frame/said'
import { serverNow } from '../server-clock'

type Rules = { certificateAsked: boolean; backupDays: number; leadAfterMin: number; backedUpAt: string | null }
const DAY_MS = 86_400_000
const MINUTES = { '2': '2 min', '5': '5 min', '10': '10 min', '20': '20 min' }
const DAYS = { '1': 'a day', '7': 'a week', '30': 'a month', '90': 'three months' }

/** What the lead decides once: whether a certificate is asked for, and how old a backup may become. */
export function ShopRules({ certificateAsked, backupDays, leadAfterMin, backedUpAt }: Rules) {
  const router = useRouter()
  const done = useSaid()
  const { send, busy, said } = useSend('/api/shop')
  const save = async (change: Partial<Rules>) => {
    if (!(await send({ what: 'rules', certificateAsked, backupDays, leadAfterMin, ...change }))) return
    done('Saved.')
    router.refresh()
  }
  const ageMs = backedUpAt === null ? Number.POSITIVE_INFINITY : serverNow() - Date.parse(backedUpAt)
  return (
    <section>
      <h1 className="mb-2 border-b-2 border-ink pb-2 text-title font-semibold">Certificate, backup, alarms</h1>
      <div className="grid grid-cols-2 gap-x-8 gap-y-4 max-md:grid-cols-1">
        <div>
          <Choice
            label="Certificate number of whoever signs"
            value={certificateAsked ? 'asked' : 'optional'}
            disabled={busy}
            options={[
              { value: 'asked', label: 'asked for' },
              { value: 'optional', label: 'may be left out' },
            ]}
            onChange={(value) => void save({ certificateAsked: value === 'asked' })}
          />
          <p className="mt-1.5 text-small text-ink-2">
            Where the law of the place asks for one it is asked for here; the record says where none was given.
          </p>
        </div>
        <div>
          <p suppressHydrationWarning className="text-row font-semibold">
            {ageMs > backupDays * DAY_MS && <Sign kind="caution" />}
            {backedUpAt === null
              ? 'Never backed up'
              : `Backed up ${formatDistanceStrict(Date.parse(backedUpAt), serverNow(), { addSuffix: true })}`}
          </p>
          <p className="mb-2 text-small text-ink-2">
            <code>./yperos backup FILE</code> writes all of it, the shop’s key among it;{' '}
            <code>./yperos restore FILE</code> brings it back.
          </p>
          <Pick
            label="Remind me after"
            value={String(backupDays)}
            options={{
              ...DAYS,
              [String(backupDays)]: DAYS[String(backupDays) as keyof typeof DAYS] ?? `${backupDays} days`,
            }}
            onPick={(days) => void save({ backupDays: Number(days) })}
          />
        </div>
      </div>
      <div className="mt-4 max-w-[420px]">
        <Pick
          label="An alarm nobody answered rings at the lead too after"
          value={String(leadAfterMin)}
          options={{ ...MINUTES, [String(leadAfterMin)]: `${leadAfterMin} min` }}
          onPick={(minutes) => void save({ leadAfterMin: Number(minutes) })}
        />
        <p className="mt-1.5 text-small text-ink-2">Until then it rings at whoever has the car.</p>
      </div>
      <Refused>{said}</Refused>
    </section>
  )
}
