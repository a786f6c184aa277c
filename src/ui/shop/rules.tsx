'use client'

import { formatDistanceStrict } from 'date-fns'
import { useRouter } from 'next/navigation'
import { W } from '@/core/language/screen/shop'
import { DAY_MS } from '@/core/units/constants'
import { Choice } from '../form/field'
import { Pick } from '../form/pick'
import { Refused } from '../form/refused'
import { Sign } from '../form/sign'
import { useSend } from '../form/use-send'
import { useSaid } from '../frame/said'
import { serverNow } from '../server-clock'
import { slot, Worded } from '../worded'

type Rules = { certificateAsked: boolean; backupDays: number; leadAfterMin: number; backedUpAt: string | null }
const MINUTES = { '2': W.n2Min, '5': W.n5Min, '10': W.n10Min, '20': W.n20Min }
const DAYS = { '1': W.aDay, '7': W.aWeek, '30': W.aMonth, '90': W.threeMonths }

/** What the lead decides once: whether a certificate is asked for, and how old a backup may become. */
export function ShopRules({ certificateAsked, backupDays, leadAfterMin, backedUpAt }: Rules) {
  const router = useRouter()
  const done = useSaid()
  const { send, busy, said } = useSend('/api/shop')
  const save = async (change: Partial<Rules>) => {
    if (!(await send({ what: 'rules', certificateAsked, backupDays, leadAfterMin, ...change }))) return
    done(W.saved)
    router.refresh()
  }
  const ageMs = backedUpAt === null ? Number.POSITIVE_INFINITY : serverNow() - Date.parse(backedUpAt)
  return (
    <section>
      <h1 className="mb-2 border-b-2 border-ink pb-2 text-title font-semibold">{W.certificateBackupAlarms}</h1>
      <div className="grid grid-cols-2 gap-x-8 gap-y-4 max-md:grid-cols-1">
        <div>
          <Choice
            label={W.certificateNumberOfWhoeverSigns}
            value={certificateAsked ? 'asked' : 'optional'}
            disabled={busy}
            options={[
              { value: 'asked', label: W.askedFor },
              { value: 'optional', label: W.mayBeLeftOut },
            ]}
            onChange={(value) => void save({ certificateAsked: value === 'asked' })}
          />
          <p className="mt-1.5 text-small text-ink-2">{W.whereTheLawOfThe}</p>
        </div>
        <div>
          <p suppressHydrationWarning className="text-row font-semibold">
            {ageMs > backupDays * DAY_MS && <Sign kind="caution" />}
            {backedUpAt === null
              ? W.neverBackedUp
              : W.backedUp(formatDistanceStrict(Date.parse(backedUpAt), serverNow(), { addSuffix: true }))}
          </p>
          <p className="mb-2 text-small text-ink-2">
            <Worded
              words={W.writesAllOfItThe(slot('backup'), slot('restore'))}
              backup={<code>{W.yperosBackupFile}</code>}
              restore={<code>{W.yperosRestoreFile}</code>}
            />
          </p>
          <Pick
            label={W.remindMeAfter}
            value={String(backupDays)}
            options={{
              ...DAYS,
              [String(backupDays)]: DAYS[String(backupDays) as keyof typeof DAYS] ?? W.days(backupDays),
            }}
            onPick={(days) => void save({ backupDays: Number(days) })}
          />
        </div>
      </div>
      <div className="mt-4 max-w-[420px]">
        <Pick
          label={W.anAlarmNobodyAnsweredRings}
          value={String(leadAfterMin)}
          options={{ ...MINUTES, [String(leadAfterMin)]: W.min(leadAfterMin) }}
          onPick={(minutes) => void save({ leadAfterMin: Number(minutes) })}
        />
        <p className="mt-1.5 text-small text-ink-2">{W.untilThenItRingsAt}</p>
      </div>
      <Refused>{said}</Refused>
    </section>
  )
}
