'use client'

import { useMemo, useRef } from 'react'
import { type Closing, closingOf, type Lead } from '@/core/charge/closing'
import { stopNow } from '@/core/charge/plan-for-job'
import type { ScaleEvent } from '@/core/charge/scale-watch'
import { watchContainer } from '@/core/charge/watch-container'
import { type JobState, openContainer, wayOf } from '@/core/job/state'
import { WAY_WORDS } from '@/core/job/ways'
import type { CurvePoint } from './use-job-live'

/**
 * The scale under the open container: what it weighs with everything that is no refrigerant counted out, what was
 * noticed, and when to close.
 */
export type ChargeWatch = {
  scaleG: number
  notes: ScaleEvent[]
  closing: Closing | null
  said: { saidG: number; gramsPerS: number; stepG: number } | null
}

/**
 * Watches the scale of the container that is open now. Times are the hand's own seconds, not the job's: a clock that
 * runs faster makes no hand quicker.
 * @param factor - how fast the job's clock runs
 */
export function useChargeWatch(
  state: JobState,
  scale: readonly CurvePoint[],
  factor: number,
  lead: Lead,
): ChargeWatch | undefined {
  const open = openContainer(state)
  const said = useRef<{ id: string; closing: NonNullable<ChargeWatch['said']> } | null>(null)
  const stepG = state.opened.rig.scaleStepG
  const stopG = stopNow(state, open?.id)?.stopGrossG
  const { valve } = WAY_WORDS[wayOf(state)]
  const flowing = state.rig[valve] === 'open' && state.rig['container-valve'] === 'open'
  const shutAt = state.turnedAt[valve]
  const watch = useMemo(() => {
    if (!open) return undefined
    const fromMs = Date.parse(open.startedAt)
    const shutSinceMs = !flowing && shutAt ? Date.parse(shutAt) : undefined
    const watched = watchContainer(scale, { fromMs, shutSinceMs }, factor, stepG)
    if (watched.readings.length === 0) return undefined
    const since = shutAt && flowing ? Math.max(0, watched.seconds(Date.parse(shutAt))) : 0
    const own = watched.readings.filter((r) => r.tS >= since)
    return { watched, closing: flowing && stopG !== undefined ? closingOf(own, stopG, stepG, lead) : null }
  }, [open, scale, factor, lead, stepG, stopG, flowing, shutAt])
  if (!open || !watch) return undefined
  // the word is said once for each container: what the hand does with it is what is learned
  const { closing } = watch
  if (closing && closing.inS <= 0 && said.current?.id !== open.id)
    said.current = { id: open.id, closing: { saidG: closing.nowG, gramsPerS: closing.flowGMin / 60, stepG } }
  const last = watch.watched.readings[watch.watched.readings.length - 1]
  return {
    scaleG: last?.grams ?? open.startGrossG,
    notes: watch.watched.events,
    closing,
    said: said.current?.id === open.id ? said.current.closing : null,
  }
}
