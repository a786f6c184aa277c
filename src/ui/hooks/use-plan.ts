'use client'

import { proxy } from 'comlink'
import { useEffect, useState } from 'react'
import type { JobState } from '@/core/job/state'
import type { Gain, PullPlan } from '@/core/pull/planner'
import { pullQuestion } from '@/core/pull/question'
import type { PlanWorker } from '@/workers/plan-worker'
import { inWorker } from './in-worker'

export type Planned = { progress: number; plan?: PullPlan; costs?: Gain[]; whatIfs?: Gain[] }

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
    return inWorker<PlanWorker>(worker, async (far) => {
      const plan = await far.planPull(
        asked,
        proxy((share: number) => setPlanned((before) => ({ ...before, progress: share }))),
      )
      setPlanned({ progress: 1, plan })
      const [costs, whatIfs] = [await far.linkCosts(asked), await far.whatIfs(asked)]
      setPlanned({ progress: 1, plan, costs, whatIfs })
    })
  }, [question])
  return wanted ? planned : undefined
}
