'use client'

import { useQuery } from '@tanstack/react-query'
import type { RigBusy } from '@/core/day/rig-busy'
import type { RigWritten } from '@/core/job/events'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-frame'
import { rigBusyWords } from '@/core/words/shop-plan-words'
import { Fold } from '../../form/fold'
import { Sign } from '../../form/sign'
import { Strong, slot, Worded } from '../../worded'
import type { Deeds } from '../use-deeds'

/** What each rig is on is asked anew so often, ms. */
const AGAIN_MS = 20_000

type Choice = { id: string; rig: RigWritten; busy: RigBusy | null }
type Props = { jobId: string; state: JobState; deeds: Deeds; clock: (ms: number) => string }

/** Whether another rig can still be taken: no hose hangs on the car. */
export const mayTakeRig = ({ step, rig, signed, closed }: JobState): boolean =>
  !signed &&
  !closed &&
  ['zero', 'fix', 'rig'].includes(step) &&
  rig['coupler-low'] === 'off' &&
  rig['coupler-high'] === 'off'

/** The rig this car is taken up with, what it is on now, and the others that may be taken in its place. */
export function RigTaken({ jobId, state, deeds, clock }: Props) {
  const { data } = useQuery({
    queryKey: ['rigs', jobId],
    queryFn: async () => {
      const answer = await fetch(`/api/rigs?besides=${jobId}`)
      return answer.ok ? ((await answer.json()) as { rigs: Choice[] }).rigs : []
    },
    refetchInterval: AGAIN_MS,
  })
  const { name } = state.opened.rig
  const own = data?.find((r) => r.rig.name === name)
  const taken = own?.busy?.now === true
  return (
    <Fold
      title={
        <>
          {taken && <Sign kind="caution" />}
          {name}{' '}
          <span className={taken ? 'text-caution' : 'font-normal text-ink-2'}>
            {own?.busy ? rigBusyWords(own.busy, clock) : W.isTheRigForThis}
          </span>
        </>
      }
      className="mt-3 border-t border-rule"
      first={taken && state.step === 'rig'}
    >
      <ul aria-label={W.rigs} className="pb-2">
        {(data ?? [])
          .filter((r) => r.rig.name !== name)
          .map(({ id, rig, busy }) => (
            <li key={id} className="flex flex-wrap items-center gap-x-4 border-b border-rule py-1 text-body">
              <span className="min-w-48 flex-1">
                <Worded
                  words={busy ? W.isBusy(slot('rig'), rigBusyWords(busy, clock)) : W.isFree(slot('rig'))}
                  rig={<Strong>{rig.name}</Strong>}
                />
              </span>
              <button
                type="button"
                className="plain-button text-small"
                disabled={deeds.busy}
                onClick={() => deeds.record([{ kind: 'rig-taken', payload: { rig } }])}
              >
                {W.take2(rig.name)}
              </button>
            </li>
          ))}
      </ul>
    </Fold>
  )
}
