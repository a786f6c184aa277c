import type { Live } from '@/core/call/types'
import { PA_PER_MICRON } from '@/core/units/constants'
import { micronText, paText, signed } from '../format'

/** The reading, the largest thing on the screen, with its other unit and where it is going. */
export function ReadingFigures({ live, unread }: { live: Live; unread: string }) {
  if (live.vacuumPa === undefined) return <p className="text-[22px] font-medium">{unread}</p>
  const perMinute = live.fallPaS === undefined ? undefined : (live.fallPaS / PA_PER_MICRON) * 60
  const digits = perMinute !== undefined && Math.abs(perMinute) < 10 ? 1 : 0
  return (
    <div className="flex flex-wrap items-end gap-x-12 gap-y-2 max-sm:gap-x-5">
      <p>
        <span className="figure text-[112px] font-semibold max-sm:text-[84px]" data-testid="vacuum">
          {micronText(live.vacuumPa)}
        </span>
        <span className="ml-2 text-[32px] font-medium max-sm:text-[26px]">micron</span>
        <span className="block text-[17px]">
          <b className="font-semibold">far gauge</b> <span className="ml-4 text-ink-2">{paText(live.vacuumPa)}</span>
        </span>
      </p>
      {perMinute !== undefined && (
        <p>
          <span className="figure text-[56px] max-sm:text-[36px]">{signed(perMinute, digits)}</span>
          <span className="text-[24px]">/min</span>
          <span className="block text-[17px] font-semibold">{Math.abs(perMinute) < 0.5 ? 'steady' : perMinute < 0 ? 'falling' : 'rising'}</span>
        </p>
      )}
    </div>
  )
}
