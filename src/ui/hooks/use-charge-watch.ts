'use client'

import { useMemo, useRef } from 'react'
import type { Closing, Lead } from '@/core/charge/closing'
import type { ScaleEvent } from '@/core/charge/scale-watch'
import { watchCharge } from '@/core/charge/watch-charge'
import { type JobState, openContainer } from '@/core/job/state'
import type { CurvePoint } from '@/core/views'

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
  const watch = useMemo(() => watchCharge(state, scale, factor, lead), [state, scale, factor, lead])
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
