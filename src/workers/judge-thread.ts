import { parentPort } from 'node:worker_threads'
import type { HoldContext, HoldSample } from '@/core/hold/types'
import { judgementOf } from '@/core/schools/judgement'

/**
 * What the server's thread is asked: elapsed seconds and pressures side by side, so that a night's readings cross over
 * without being copied one by one.
 */
export type Question = { number: number; elapsedS: Float64Array; pressurePa: Float64Array; context: HoldContext }

/** Judges off the server's event loop; an error goes back as its message. */
parentPort?.on('message', ({ number, elapsedS, pressurePa, context }: Question) => {
  try {
    const samples = Array.from(elapsedS, (s, i): HoldSample => ({ elapsedS: s, pressurePa: pressurePa[i] as number }))
    parentPort?.postMessage({ number, judgement: judgementOf(samples, context) })
  } catch (error) {
    parentPort?.postMessage({ number, failed: (error as Error).message })
  }
})
