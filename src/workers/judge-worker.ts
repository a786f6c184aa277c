import { type HoldContext, type HoldSample, judgeHold } from '@/core/hold/judge'
import { RunningHold } from '@/core/hold/running-hold'
import { rulesOn } from '@/core/hold/schools'

/** The hold that is being judged, with the question it was opened by. */
let running: { hold: RunningHold; asked: string; last: HoldSample | undefined } | null = null

/**
 * Judges a hold off the page's thread: in come samples and context, out go the result and what the schools' rules say, with the same number.
 * A record that only grew is judged by its new samples alone until a fresh look is due.
 */
self.onmessage = (message: MessageEvent<{ number: number; samples: HoldSample[]; context: HoldContext }>) => {
  const { number, samples, context } = message.data
  self.postMessage({ number, result: judged(samples, context), rules: rulesOn(samples, context) })
}

function judged(samples: HoldSample[], context: HoldContext) {
  const asked = JSON.stringify(context)
  const count = running?.hold.count ?? 0
  const grew =
    running?.asked === asked &&
    samples.length > count &&
    count > 0 &&
    samples[count - 1]?.elapsedS === running.last?.elapsedS &&
    samples[count - 1]?.pressurePa === running.last?.pressurePa
  if (!grew || !running) {
    running = { hold: new RunningHold(context, samples), asked, last: samples[samples.length - 1] }
    return samples.length > 0 ? running.hold.look() : judgeHold(samples, context)
  }
  let result = null
  for (const sample of samples.slice(count)) result = running.hold.add(sample)
  running.last = samples[samples.length - 1]
  return running.hold.isDue || result === null ? running.hold.look() : result
}
