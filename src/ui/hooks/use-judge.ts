'use client'

import { useEffect, useRef, useState } from 'react'
import { holdContext, JUDGED_SAMPLES } from '@/core/hold/context'
import type { HoldResult, HoldSample } from '@/core/hold/judge'
import type { RuleSaid } from '@/core/hold/schools'
import { currentHold, type JobState } from '@/core/procedure/state'
import type { CurvePoint } from './use-job-live'

/** Averages a hold's readings into at most `JUDGED_SAMPLES` slices of equal time, seconds since isolation. */
export function holdSamples(vacuum: readonly CurvePoint[], isolatedMs: number): HoldSample[] {
  const held = vacuum.filter((p) => p.at >= isolatedMs)
  const last = held[held.length - 1]
  if (!last) return []
  if (held.length <= JUDGED_SAMPLES) return held.map((p) => ({ elapsedS: (p.at - isolatedMs) / 1000, pressurePa: p.value }))
  const slices = new Map<number, { at: number; value: number; count: number }>()
  for (const p of held) {
    const key = Math.floor(((p.at - isolatedMs) / (last.at - isolatedMs + 1)) * JUDGED_SAMPLES)
    const slice = slices.get(key) ?? { at: 0, value: 0, count: 0 }
    slices.set(key, { at: slice.at + p.at, value: slice.value + p.value, count: slice.count + 1 })
  }
  return [...slices.values()].map((s) => ({ elapsedS: (s.at / s.count - isolatedMs) / 1000, pressurePa: s.value / s.count, count: s.count }))
}

/** What the judge says of a hold, and the schools' rules beside it. */
export type Judgement = { result: HoldResult; rules: RuleSaid[] }

/** The judgement of the running hold, made in a web worker at most once a second; undefined while there is none. */
export function useJudge(state: JobState, vacuum: readonly CurvePoint[]): Judgement | undefined {
  const [result, setResult] = useState<Judgement>()
  const worker = useRef<Worker>(undefined)
  const asked = useRef({ number: 0, atMs: 0 })
  const hold = state.step === 'hold' ? currentHold(state) : undefined
  const running = hold !== undefined && !hold.ended
  useEffect(() => {
    if (!running) return
    const made = new Worker(new URL('../../workers/judge-worker.ts', import.meta.url), { type: 'module' })
    made.onmessage = (message: MessageEvent<{ number: number } & Judgement>) => {
      if (message.data.number === asked.current.number) setResult({ result: message.data.result, rules: message.data.rules })
    }
    worker.current = made
    return () => {
      made.terminate()
      worker.current = undefined
      setResult(undefined)
    }
  }, [running])
  useEffect(() => {
    if (!hold || hold.ended || Date.now() - asked.current.atMs < 900) return
    asked.current = { number: asked.current.number + 1, atMs: Date.now() }
    const samples = holdSamples(vacuum, Date.parse(hold.isolatedAt))
    worker.current?.postMessage({ number: asked.current.number, samples, context: holdContext(state, hold.plannedMinutes) })
  }, [hold, vacuum, state])
  return running ? result : undefined
}
