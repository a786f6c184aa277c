'use client'

import { useMemo } from 'react'
import { waterSaturationPa } from '@/core/fluids/water'
import { currentPull, type JobState } from '@/core/job/state'
import type { PullAdvice } from '@/core/pull/advice'
import { adviseOnPull } from '@/core/pull/advisor'
import type { PullForecast } from '@/core/pull/forecast'
import type { PullPlan } from '@/core/pull/planner'
import { medianWater, mostLiquidG } from '@/core/pull/water-inventory'
import type { Say } from '@/core/units/say'
import { kelvin } from '@/core/units/temperature'
import type { CurvePoint } from '@/core/views'
import { thin } from './use-job-live'

const MOST = 400

/** Where the running pull stands, from its readings and its prediction; undefined while there is none of either. */
export function usePullAdvice(
  state: JobState,
  vacuum: readonly CurvePoint[],
  plan: PullPlan | undefined,
  forecast: PullForecast | undefined,
  say: Say,
): PullAdvice | undefined {
  const pull = state.step === 'pull' ? currentPull(state) : undefined
  const startMs = pull && !pull.endedAt ? Date.parse(pull.startedAt) : undefined
  return useMemo(() => {
    if (startMs === undefined || !plan) return undefined
    let points = vacuum.filter((p) => p.at >= startMs)
    while (points.length > MOST) points = thin(points)
    const { rig, place, procedure, story, volumeL } = state.opened
    return adviseOnPull({
      readings: points.map((p) => ({ tS: (p.at - startMs) / 1000, pressurePa: p.value })),
      targetPa: procedure.targetPa,
      waterBoilsPa: waterSaturationPa(kelvin(place.ambientC)),
      instrument: rig.gauge,
      gaugeAt: rig.gaugeAt ?? 'far',
      ballastOpen: state.rig.ballast === 'open',
      volumeL,
      waterG: medianWater(story).liquidG,
      waterMostG: mostLiquidG(story),
      ambientC: place.ambientC,
      ultimatePa: rig.ultimatePa,
      plan,
      say,
      ...(forecast && {
        forecast: {
          stands: forecast.stands,
          ...(forecast.oil && { oil: forecast.oil }),
          toTargetS:
            forecast.p50Ms === null
              ? null
              : Math.max(0, (forecast.p50Ms - (points.at(-1)?.at ?? forecast.atMs)) / 1000),
        },
      }),
    })
  }, [startMs, plan, vacuum, state, forecast, say])
}
