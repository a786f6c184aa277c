'use client'

import { Toggle } from 'radix-ui'
import { massBoth } from '@/core/call/charge-words'
import type { Live } from '@/core/call/types'
import { stopNow } from '@/core/charge/plan-for-job'
import { chargedG, type JobState, openContainer } from '@/core/job/state'
import { W } from '@/core/language/screen/job-charge'
import { shownMass } from '@/core/units/shown'
import type { CurvePoint } from '@/core/views'
import { Figure } from '../../form/figure'
import { useCountdownSound } from '../../hooks/use-sound'
import { useSay } from '../../units'
import { ChargeAscent } from './ascent/charge-ascent'

type Props = { state: JobState; live: Live; scale: readonly CurvePoint[]; clock: (ms: number) => string }

/** What is left to weigh, the largest figure; where the scale stands and where it must stop; the ascent below. */
export function ChargeFigures({ state, live, scale, clock }: Props) {
  const say = useSay()
  const mass = (g: number) => shownMass(g, say.units.mass)
  const open = openContainer(state)
  const stop = stopNow(state, open?.id)
  const target = state.plan?.targetG ?? 0
  const inside = chargedG(state, open ? (live.scaleG ?? open.startGrossG) : undefined)
  const seconds = live.closing
    ? Math.max(0, live.closing.inS)
    : stop && live.scaleG !== undefined && live.flowGMin && live.flowGMin > 1
      ? Math.max(0, ((live.scaleG - stop.stopGrossG) / live.flowGMin) * 60)
      : undefined
  const [sound, setSound] = useCountdownSound(live.closing ? live.closing.inS : undefined)
  return (
    <section aria-label={W.charge} className="relative mt-3">
      <div className="flex flex-wrap items-end gap-x-10 gap-y-2 max-sm:gap-x-6">
        <Figure big {...mass(target - inside)} below={W.toGoOf(massBoth(target, say))} testId="to-go" />
        {open && stop && (
          <Figure
            text={`${say.massShort(live.scaleG ?? open.startGrossG)} → ${say.massShort(stop.stopGrossG)}`}
            unit={say.units.mass === 'g' ? 'g' : 'oz'}
            below={W.onTheScaleCloseAt(open.id)}
          />
        )}
        {open && live.flowGMin !== undefined && (
          <Figure
            text={say.flow(live.flowGMin).split(' ')[0] ?? ''}
            unit={`${say.units.mass === 'g' ? 'g' : 'oz'}/min`}
            below={W.flow}
          />
        )}
        {seconds !== undefined && (
          <Figure
            text={`${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`}
            unit=""
            below={live.closing?.short ? W.untilTheWordALittle : W.untilTheWordToClose}
          />
        )}
        {open && (
          <Toggle.Root
            className="plain-button absolute top-0 right-0 text-small max-sm:static"
            pressed={sound}
            onPressedChange={setSound}
          >
            {sound ? W.countdownSounds : W.countdownSilent}
          </Toggle.Root>
        )}
      </div>
      <ChargeAscent state={state} scale={scale} clock={clock} live={live} />
    </section>
  )
}
