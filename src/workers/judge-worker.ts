import type { HoldContext, HoldSample } from '@/core/hold/types'
import { judgementOf } from '@/core/schools/judgement'

/** Judges a record off the page's thread: in come samples and context, out goes the judgement with the same number. */
self.onmessage = (message: MessageEvent<{ number: number; samples: HoldSample[]; context: HoldContext }>) => {
  const { number, samples, context } = message.data
  self.postMessage({ number, ...judgementOf(samples, context) })
}
