'use client'

import { OPENED } from '@/core/job/events'
import type { Rig } from '@/core/job/written'
import { W } from '@/core/language/screen/rig-room'
import type { PullBand } from '@/core/pull/planner'
import { bottomOf, depthShare, type Strata, strataOf } from '@/core/pull/strata'
import { FREE_VOLUME_L } from '@/core/rig/free-volume'
import { PA_PER_MICRON } from '@/core/units/constants'
import { OPENED_WORDS } from '@/core/words/renewed'
import { StrataFills } from '../chart/depth-strip'
import { linear } from '../chart/scales'
import { Pick } from '../form/pick'
import { micronText } from '../format'
import type { ShopView } from '../frame/who'
import type { RigStudy } from '../hooks/use-rig-study'
import { useWidth } from '../hooks/use-width'
import type { TrialCar } from './trial-car'

type Props = { rig: Rig; trial: TrialCar; setTrial: (trial: TrialCar) => void; study: RigStudy; shop: ShopView }

const HEIGHT = 190
const TARGETS = [1000, 500, 250] as const

/**
 * The pull this rig is predicted to make on a chosen car: where 8 of 10 would lie, time to the right, pressure down.
 */
export function PullPicture({ rig, trial, setTrial, study, shop }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(560)
  const strata = strataOf(shop.barometerPa, shop.ambientC, trial.targetMicron * PA_PER_MICRON, rig.ultimatePa)
  const { plan } = study
  return (
    <section aria-label={W.predictedPull}>
      <h2 className="text-lead font-semibold">{W.thePullItMakes}</h2>
      <div className="mt-1 flex flex-wrap items-end gap-x-3 gap-y-1 text-note">
        <Pick
          label={W.car}
          value={String(trial.evaporators)}
          options={{ 1: W.oneEvaporatorL(FREE_VOLUME_L[1]), 2: W.twoL(FREE_VOLUME_L[2]) }}
          onPick={(v) => setTrial({ ...trial, evaporators: v === '2' ? 2 : 1 })}
        />
        <Pick
          label={W.wasOpen}
          value={trial.opened}
          options={Object.fromEntries(OPENED.map((o) => [o, OPENED_WORDS[o]]))}
          onPick={(v) => setTrial({ ...trial, opened: OPENED.find((o) => o === v) ?? trial.opened })}
        />
        <Pick
          label={W.to}
          value={String(trial.targetMicron)}
          options={Object.fromEntries(TARGETS.map((t) => [t, W.micron(t)]))}
          onPick={(v) => setTrial({ ...trial, targetMicron: Number(v) })}
        />
      </div>
      <figure ref={ref} className="mt-2">
        <BandChart strata={strata} band={plan?.band} width={width} p50S={plan?.p50S ?? null} />
        <figcaption className="mt-1 text-small">{sentence(study, trial)}</figcaption>
      </figure>
    </section>
  )
}

function sentence({ plan, progress }: RigStudy, trial: TrialCar): string {
  if (!plan) return W.predicting(Math.round(progress * 100))
  const minutes = (s: number | null) =>
    s === null ? W.moreThan2Hours : s < 90 ? `${Math.round(s)} s` : W.min(Math.round(s / 60))
  return W.toMicronAtTheFarthest(trial.targetMicron, minutes(plan.p50S), minutes(plan.p10S), minutes(plan.p90S))
}

function BandChart({
  strata,
  band,
  width,
  p50S,
}: {
  strata: Strata
  band: PullBand | undefined
  width: number
  p50S: number | null
}) {
  const y = (pa: number) => depthShare(pa, strata.airPa, bottomOf(strata)) * (HEIGHT - 2) + 1
  // as much time as the slow pulls need, no more
  const low = band ? band.highPa.findIndex((pa) => pa <= strata.targetPa) : -1
  const endS = band
    ? Math.max(300, 1.3 * (low > 0 ? (band.tS[low] as number) : (band.tS[band.tS.length - 1] as number)))
    : 3600
  const x = linear(0, endS, 0, width)
  const shown = band?.tS.filter((s) => s <= endS).length ?? 0
  const edge = (values: readonly number[]) =>
    values.slice(0, shown).map((pa, i) => `${x(band?.tS[i] ?? 0).toFixed(1)} ${y(pa).toFixed(1)}`)
  const stepS = [60, 120, 300, 600, 1200, 1800, 3600].find((s) => endS / s <= 6) ?? 3600
  const ticks = Array.from({ length: Math.floor(endS / stepS) + 1 }, (_, i) => i * stepS)
  return (
    <svg
      width={width}
      height={HEIGHT + 22}
      role="img"
      aria-label={W.pressureFromMicronDownOver(micronText(strata.airPa), Math.round(endS / 60))}
    >
      <StrataFills strata={strata} y={y} width={width} height={HEIGHT} />
      <line
        x1="0"
        x2={width}
        y1={y(strata.waterBoilsPa)}
        y2={y(strata.waterBoilsPa)}
        stroke="var(--ink)"
        strokeWidth="3"
        strokeDasharray="0 7"
        strokeLinecap="round"
      />
      <line x1="0" x2={width} y1={y(strata.targetPa)} y2={y(strata.targetPa)} stroke="var(--ink)" strokeWidth="2" />
      {band && shown > 1 && (
        <path
          d={`M${edge(band.highPa).join('L')}L${edge(band.lowPa).reverse().join('L')}Z`}
          fill="var(--ink)"
          fillOpacity="0.2"
          stroke="var(--ink)"
          strokeOpacity="0.6"
        />
      )}
      {p50S !== null && p50S <= endS && (
        <path d={`M${x(p50S)} ${y(strata.targetPa) - 8}l8 8l-8 8l-8 -8Z`} fill="var(--ink)" />
      )}
      <g fontSize="14" fill="var(--ink)">
        <text x={width - 6} y={y(strata.waterBoilsPa) - 6} textAnchor="end">
          {W.waterBoilsBelow2(micronText(strata.waterBoilsPa))}
        </text>
        <text x={width - 6} y={y(strata.targetPa) - 5} textAnchor="end">
          {W.target2(micronText(strata.targetPa))}
        </text>
        {ticks.map((s) => (
          <text
            key={s}
            x={x(s)}
            y={HEIGHT + 16}
            textAnchor={s === 0 ? 'start' : x(s) > width - 30 ? 'end' : 'middle'}
            fill="var(--ink-2)"
          >
            {s === 0 ? '0' : W.min(s / 60)}
          </text>
        ))}
      </g>
    </svg>
  )
}
