'use client'

import { useEffect, useState } from 'react'
import type { JobState } from '@/core/job/state'
import type { Gain, PullPlan } from '@/core/pull/planner'
import { pullQuestion } from '@/core/pull/question'

export type Planned = { progress: number; plan?: PullPlan; costs?: Gain[]; whatIfs?: Gain[] }
type Told =
  | { kind: 'progress'; share: number }
  | { kind: 'plan'; plan: PullPlan }
  | { kind: 'gains'; costs: Gain[]; whatIfs: Gain[] }

/** Simulations behind the band on the screen: enough for its edges, done in a second or two. */
const DRAWS = 80

/** The predicted pull of this job, worked out once in a web worker while it is rigged or pulled. */
export function usePlan(state: JobState): Planned | undefined {
  const wanted = state.step === 'rig' || state.step === 'pull' || state.step === 'isolate'
  const [planned, setPlanned] = useState<Planned>()
  const question = JSON.stringify(wanted ? pullQuestion(state, DRAWS) : null)
  useEffect(() => {
    const asked = JSON.parse(question)
    if (asked === null) return
    const worker = new Worker(new URL('../../workers/plan-worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = (message: MessageEvent<Told>) => {
      const told = message.data
      setPlanned((before) => {
        if (told.kind === 'progress') return { ...before, progress: told.share }
        if (told.kind === 'plan') return { progress: 1, plan: told.plan }
        return { progress: 1, ...before, costs: told.costs, whatIfs: told.whatIfs }
      })
      if (told.kind === 'gains') worker.terminate()
    }
    worker.postMessage({ question: asked })
    return () => worker.terminate()
  }, [question])
  return wanted ? planned : undefined
}
