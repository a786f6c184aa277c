import type { HoldContext, HoldSample } from '@/core/hold/judge'
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
  const fresh = running?.asked === asked ? newSamples(samples, running.hold.count, running.last) : null
  if (!running || !fresh) {
    running = { hold: new RunningHold(context, samples), asked, last: samples[samples.length - 1] }
    return running.hold.look()
  }
  let result = null
  for (const sample of fresh) result = running.hold.add(sample)
  running.last = samples[samples.length - 1]
  return running.hold.isDue || result === null ? running.hold.look() : result
}

/** What a record grew by; null when it is another one, or a reading came twice or late: then it is looked at afresh. */
function newSamples(samples: readonly HoldSample[], count: number, last: HoldSample | undefined): HoldSample[] | null {
  const same = samples[count - 1]
  if (!last || !same || same.elapsedS !== last.elapsedS || same.pressurePa !== last.pressurePa) return null
  const fresh = samples.slice(count)
  return fresh.every((s, i) => s.elapsedS > (i === 0 ? last : (fresh[i - 1] as HoldSample)).elapsedS) ? fresh : null
}
