'use client'

import { useRouter } from 'next/navigation'
import { W } from '@/core/language/screen/shop'
import { TRAINEE_RIGHT_NAMES, TRAINEE_RIGHTS, type TraineeRights } from '@/core/shop/trainee'
import { Refused } from '../form/refused'
import { Tick } from '../form/tick'
import { useSend } from '../form/use-send'
import { useSaid } from '../frame/said'

/** What a trainee may do, each a switch. */
export function TraineeSwitches({ rights }: { rights: TraineeRights }) {
  const router = useRouter()
  const done = useSaid()
  const { send, said } = useSend('/api/shop')
  const set = async (change: Partial<TraineeRights>) => {
    if (!(await send({ what: 'trainee-rights', rights: { ...rights, ...change } }))) return
    done(W.saved)
    router.refresh()
  }
  return (
    <section aria-label={W.whatATraineeMayDo}>
      <h1 className="mb-2 border-b-2 border-ink pb-2 text-title font-semibold">{W.whatATraineeMayDo}</h1>
      <p className="mb-1 max-w-[760px] text-small text-ink-2">{W.aTraineeRunsJobsTo}</p>
      <div className="grid max-w-[860px] grid-cols-2 gap-x-8 max-md:grid-cols-1">
        {TRAINEE_RIGHT_NAMES.map((name) => (
          <Tick
            key={name}
            label={TRAINEE_RIGHTS[name].label}
            checked={rights[name]}
            onChange={(on) => void set({ [name]: on })}
          />
        ))}
      </div>
      <Refused>{said}</Refused>
    </section>
  )
}
