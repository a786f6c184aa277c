'use client'

import { useEffect, useState } from 'react'
import type { PullPlan, PullQuestion } from '@/core/pull/planner'
import type { PlanWorker } from '@/workers/plan-worker'
import { inWorker } from '../hooks/in-worker'

/** Typing rests for so long before a computation of seconds begins, ms. */
const REST_MS = 350

/** A pull worked out off the page's thread; null until it is there, and anew when what is asked changes. */
export function useLater(question: PullQuestion | undefined): PullPlan | null {
  const key = question ? JSON.stringify(question) : ''
  const [found, setFound] = useState<{ key: string; plan: PullPlan } | null>(null)
  useEffect(() => {
    if (key === '') return
    let end: (() => void) | undefined
    const rest = setTimeout(() => {
      const worker = new Worker(new URL('../../workers/plan-worker.ts', import.meta.url), { type: 'module' })
      end = inWorker<PlanWorker>(worker, async (far) =>
        setFound({ key, plan: await far.planPull(JSON.parse(key) as PullQuestion) }),
      )
    }, REST_MS)
    return () => {
      clearTimeout(rest)
      end?.()
    }
  }, [key])
  return found?.key === key ? found.plan : null
}
