'use client'

import { useEffect, useState } from 'react'
import { holdContext } from '@/core/hold/context'
import { type HoldReading, holdSamples } from '@/core/hold/samples'
import { currentHold, currentPull, type JobState } from '@/core/job/state'
import { asForecast, type PullForecast, pullAsked } from '@/core/pull/forecast'
import type { CurvePoint, JudgedHold } from '@/core/views'
import type { JudgeWorker } from '@/workers/judge-worker'
import type { PullWorker } from '@/workers/pull-worker'
import { inWorker } from './in-worker'
import type { LiveJob } from './use-job-live'
import { thin } from './use-job-live'

/** Readings a look is made on at most. */
const MOST = 2000

/** The vacuum as the judge takes it: what a needle said in inches, where it was a needle. */
function readingsOf({ vacuum, typed }: Pick<LiveJob, 'vacuum' | 'typed'>): HoldReading[] {
  const inches = new Map(
    typed.filter((r) => r.channel === 'vacuum' && r.sentUnit === 'inHgV').map((r) => [r.at, r.sentValue]),
  )
  let points: readonly CurvePoint[] = vacuum
  while (points.length > MOST) points = thin(points)
  return points.map((p) => ({ ...p, ...(inches.has(p.at) && { inHg: inches.get(p.at) as number }) }))
}

/**
 * Asks a worker of the page while `question` is one, and again when it changed, a while apart.
 * @param question - null while nothing is asked
 * @param ask - begins the work, and returns what ends it
 */
function useAnswer<Question, Answer>(
  question: Question | null,
  ask: (q: Question, told: (a: Answer) => void) => () => void,
): Answer | null {
  const [answer, setAnswer] = useState<Answer | null>(null)
  const key = question === null ? null : JSON.stringify(question)
  useEffect(() => {
    if (key === null) {
      setAnswer(null)
      return
    }
    let end: (() => void) | undefined
    const wait = setTimeout(() => {
      end = ask(JSON.parse(key) as Question, setAnswer)
    }, 300)
    return () => {
      clearTimeout(wait)
      end?.()
    }
  }, [key, ask])
  return answer
}

type HoldAskedHere = {
  samples: ReturnType<typeof holdSamples>
  context: ReturnType<typeof holdContext>
  hold: number
}

const judgeAsked = ({ samples, context, hold }: HoldAskedHere, told: (judged: JudgedHold) => void): (() => void) => {
  const worker = new Worker(new URL('../../workers/judge-worker.ts', import.meta.url), { type: 'module' })
  return inWorker<JudgeWorker>(worker, async (far) => told({ hold, ...(await far.judgementOf(samples, context)) }))
}

/** The running hold judged on this device, by the same judge as the server's; null while it is not asked. */
export function useJudgeHere(state: JobState, job: LiveJob, alone: boolean): JudgedHold | null {
  const hold = currentHold(state)
  const holding = alone && state.step === 'hold' && hold !== undefined && !hold.ended
  const samples = holding ? holdSamples(readingsOf(job), Date.parse(hold.isolatedAt)) : []
  const question =
    holding && samples.length > 0
      ? { samples, context: holdContext(state, hold.plannedMinutes), hold: state.holds.length - 1 }
      : null
  return useAnswer(question, judgeAsked)
}

type PullAskedHere = { asked: ReturnType<typeof pullAsked>; pull: number; atMs: number }

const forecastAsked = ({ asked, pull, atMs }: PullAskedHere, told: (forecast: PullForecast) => void): (() => void) => {
  const worker = new Worker(new URL('../../workers/pull-worker.ts', import.meta.url), { type: 'module' })
  return inWorker<PullWorker>(worker, async (far) => told(asForecast(await far.whereItStands(asked), pull, atMs)))
}

/**
 * The end of the running pull as this device sees it, from what was read up to its last reading; null while not
 * asked.
 */
export function useForecastHere(state: JobState, job: LiveJob, alone: boolean): PullForecast | null {
  const pull = currentPull(state)
  const last = job.vacuum.at(-1)
  const pulling = alone && state.step === 'pull' && pull !== undefined && !pull.endedAt && last !== undefined
  const question = pulling
    ? {
        asked: pullAsked(
          state,
          pull,
          readingsOf(job).filter((r) => r.at >= Date.parse(pull.startedAt)),
          last.at,
          job.pump.filter((r) => r.at >= Date.parse(pull.startedAt)),
        ),
        pull: state.pulls.length - 1,
        atMs: last.at,
      }
    : null
  return useAnswer(question, forecastAsked)
}
