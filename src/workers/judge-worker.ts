import { type HoldContext, type HoldSample, judgeHold } from '@/core/hold/judge'

/** Judges a hold off the page's thread: in come samples and context, out goes the result with the same number. */
self.onmessage = (message: MessageEvent<{ number: number; samples: HoldSample[]; context: HoldContext }>) => {
  const { number, samples, context } = message.data
  self.postMessage({ number, result: judgeHold(samples, context) })
}
