'use client'

import { proxy } from 'comlink'
import { useEffect, useState } from 'react'
import type { Rig } from '@/core/job/written'
import type { Gain, PullPlan, PullQuestion } from '@/core/pull/planner'
import type { PortSpeed } from '@/core/rig/port-speeds'
import type { RigWorker } from '@/workers/rig-worker'
import { inWorker } from './in-worker'

export type RigStudy = { speeds?: PortSpeed[]; costs?: Gain[]; plan?: PullPlan; progress: number }

/**
 * What this rig does on that car, worked out anew in a web worker whenever either changes; what was known stays until
 * then.
 */
export function useRigStudy(rig: Rig | null, question: PullQuestion | null): RigStudy {
  const [study, setStudy] = useState<RigStudy>({ progress: 0 })
  const asked = JSON.stringify(rig && question ? { rig, question } : null)
  useEffect(() => {
    const work = JSON.parse(asked) as { rig: Rig; question: PullQuestion } | null
    if (work === null) return
    const worker = new Worker(new URL('../../workers/rig-worker.ts', import.meta.url), { type: 'module' })
    return inWorker<RigWorker>(worker, async (far) => {
      const { rig, question } = work
      const speeds = await far.portSpeeds(rig, question.ambientC, question.barometerPa)
      setStudy((before) => ({ ...before, speeds, progress: 0 }))
      const costs = await far.linkCosts(question)
      setStudy((before) => ({ ...before, costs }))
      const plan = await far.planPull(
        question,
        proxy((share: number) => setStudy((before) => ({ ...before, progress: share }))),
      )
      setStudy((before) => ({ ...before, plan, progress: 1 }))
    })
  }, [asked])
  return study
}
