import type { Live } from '@/core/call/types'
import { W } from '@/core/language/screen/job-readings'
import type { VacuumSeen } from '@/core/readings/vacuum-seen'
import { PA_PER_MICRON } from '@/core/units/constants'
import { lengthWords } from '@/core/units/duration'
import type { Units } from '@/core/units/shown'
import { Sign } from '../../form/sign'
import { paText, signed } from '../../format'
import { useUnits } from '../../units'

/** A rate as the unit's own a minute; inches would show none, so they are told in micron. */
const rateOf = (paS: number, unit: Units['vacuum']): number =>
  (60 * paS) / (unit === 'Pa' ? 1 : unit === 'mbar' ? 100 : PA_PER_MICRON)

/** The reading, the largest thing on the screen, with its other unit and where it is going. */
export function ReadingFigures({
  live,
  unread,
  seen,
  gaugeAt = 'far',
}: {
  live: Live
  unread: string
  seen: (pa: number) => VacuumSeen
  gaugeAt?: 'far' | 'pump' | undefined
}) {
  const units = useUnits()
  if (live.vacuumPa === undefined) return <p className="text-head font-medium">{unread}</p>
  const perMinute = live.fallPaS === undefined ? undefined : rateOf(live.fallPaS, units.vacuum)
  const digits = units.vacuum === 'mbar' ? 3 : perMinute !== undefined && Math.abs(perMinute) < 10 ? 1 : 0
  const { text, unit, means, byNeedle: needle } = seen(live.vacuumPa)
  return (
    <div className="flex flex-wrap items-end gap-x-12 max-sm:gap-x-4">
      {live.gaugeBackS !== undefined && (
        <p className="basis-full text-small font-medium text-caution">
          <Sign kind="caution" />
          {W.thisGaugeSClock(lengthWords(live.gaugeBackS))}
        </p>
      )}
      <p className="max-sm:flex max-sm:items-end max-sm:gap-2">
        <span
          className={`figure text-fig-xxl font-semibold ${text.length > 4 ? 'max-sm:text-fig-m' : 'max-sm:text-fig-l'}`}
          data-testid="vacuum"
        >
          {text}
        </span>
        <span className="ml-2 text-title font-medium max-sm:hidden">{unit}</span>
        <span className="mt-2 block text-body max-sm:text-note max-sm:leading-tight">
          <b className="hidden font-semibold max-sm:block max-sm:text-row">{unit.startsWith('inHg') ? W.inhg : unit}</b>
          <b className="font-semibold">{needle ? W.needle : gaugeAt === 'far' ? W.farGauge : W.atThePump}</b>
          {gaugeAt === 'pump' && live.pull?.far && (
            <b className="ml-4 font-semibold">{W.atTheCarAbout2(seen(live.pull.far.pa).text)}</b>
          )}{' '}
          <span className={`text-ink-2 ${needle ? 'sm:ml-4' : 'ml-4 max-sm:hidden'}`}>
            {needle || units.vacuum !== 'micron' ? means : paText(live.vacuumPa)}
          </span>
        </span>
      </p>
      {live.pumpPa !== undefined && (
        <p data-testid="pump-gauge">
          <span className="figure text-fig-m max-sm:text-act">{seen(live.pumpPa).text}</span>
          <span className="mt-2 block text-body font-semibold max-sm:mt-0 max-sm:text-note">{W.atThePump}</span>
        </p>
      )}
      {perMinute !== undefined && !needle && (
        <p>
          <span className="figure text-fig-m max-sm:text-act">{signed(perMinute, digits)}</span>
          <span className="text-head max-sm:text-small">/min</span>
          <span className="mt-2 block text-body font-semibold max-sm:mt-0 max-sm:text-note">
            {Math.abs(perMinute) < 0.5 ? W.steady : perMinute < 0 ? W.falling : W.rising}
          </span>
        </p>
      )}
    </div>
  )
}
