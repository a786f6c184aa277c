'use client'

import { useEffect, useState } from 'react'
import type { Rig } from '@/core/job/written'
import type { Gain, PullPlan, PullQuestion } from '@/core/pull/planner'
import type { PortSpeed } from '@/core/rig/port-speeds'

export type RigStudy = { speeds?: PortSpeed[]; costs?: Gain[]; plan?: PullPlan; progress: number }
type Told =
  | { kind: 'speeds'; speeds: PortSpeed[] }
  | { kind: 'costs'; costs: Gain[] }
  | { kind: 'progress'; share: number }
  | { kind: 'plan'; plan: PullPlan }

/**
 * What this rig does on that car, worked out anew in a web worker whenever either changes; what was known stays until
 * then.
 */
export function useRigStudy(rig: Rig | null, question: PullQuestion | null): RigStudy {
  const [study, setStudy] = useState<RigStudy>({ progress: 0 })
  const asked = JSON.stringify(rig && question ? { rig, question } : null)
  useEffect(() => {
    const work = JSON.parse(asked)
    if (work === null) return
    const worker = new Worker(new URL('../../workers/rig-worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<Told>) => {
      setStudy((before) => {
        if (data.kind === 'speeds') return { ...before, speeds: data.speeds, progress: 0 }
        if (data.kind === 'costs') return { ...before, costs: data.costs }
        if (data.kind === 'progress') return { ...before, progress: data.share }
        return { ...before, plan: data.plan, progress: 1 }
      })
      if (data.kind === 'plan') worker.terminate()
    }
    worker.postMessage(work)
    return () => worker.terminate()
  }, [asked])
  return study
}
