import type { HoldContext, HoldSample } from '@/core/hold/types'
import type { Judgement } from '@/core/schools/judgement'
import { type HoldAsked, type HoldLooked, KeptHolds } from '@/core/schools/kept-holds'
import { Apart } from './apart'

type Sent = { key: string; context: string; count: number; first: number; last: number }

/**
 * Looks at running holds in a thread that keeps them: a look sends what is new, and all of it where the thread has
 * not got it.
 */
export class HoldLooks {
  private readonly sent = new Map<string, Sent>()
  private readonly thread: Apart<HoldAsked, HoldLooked>

  constructor() {
    const here = new KeptHolds()
    this.thread = new Apart('hold-thread', (asked) => here.look(asked))
  }

  /** Forgets the cars that are not among these. */
  only(running: ReadonlySet<string>): void {
    for (const id of this.sent.keys()) if (!running.has(id)) this.sent.delete(id)
  }

  /**
   * A look at a car's hold.
   * @param hold - which of its holds, 0 for the first
   * @returns its judgement from scratch, or null where the last one stands
   */
  async look(
    jobId: string,
    hold: number,
    samples: readonly HoldSample[],
    context: HoldContext,
  ): Promise<Judgement | null> {
    const now: Sent = {
      key: `${jobId} ${hold}`,
      context: JSON.stringify(context),
      count: samples.length,
      first: samples[0]?.pressurePa ?? Number.NaN,
      last: samples[samples.length - 1]?.elapsedS ?? 0,
    }
    const before = this.sent.get(jobId)
    // another context, another air or a reading that came late: what was sent is not what is there now
    const grows =
      before?.key === now.key &&
      before.context === now.context &&
      before.first === now.first &&
      before.count <= now.count &&
      samples[before.count - 1]?.elapsedS === before.last
    this.sent.set(jobId, now)
    const looked = await this.ask(now.key, grows ? before.count : 0, samples, context)
    if (looked.kind !== 'unknown') return looked.kind === 'judged' ? looked.judgement : null
    return this.afresh(jobId, hold, samples, context)
  }

  /** The same from scratch, whatever was said before. */
  async afresh(jobId: string, hold: number, samples: readonly HoldSample[], context: HoldContext): Promise<Judgement> {
    const looked = await this.ask(`${jobId} ${hold}`, 0, samples, context)
    if (looked.kind !== 'judged') throw new Error('all of a hold was sent, and it was not judged')
    return looked.judgement
  }

  private ask(key: string, from: number, samples: readonly HoldSample[], context: HoldContext): Promise<HoldLooked> {
    const added = samples.slice(from)
    const elapsedS = Float64Array.from(added, (s) => s.elapsedS)
    const pressurePa = Float64Array.from(added, (s) => s.pressurePa)
    return this.thread.ask({ key, from, elapsedS, pressurePa, context }, [elapsedS.buffer, pressurePa.buffer])
  }
}
