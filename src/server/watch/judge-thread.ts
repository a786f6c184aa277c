import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import type { HoldContext, HoldSample } from '@/core/hold/types'
import { type Judgement, judgementOf } from '@/core/schools/judgement'

type Waiting = { resolve: (judgement: Judgement) => void; reject: (error: Error) => void }

/** The judge in a thread of its own; one for the process, started when first asked. */
class JudgeThread {
  private worker: Worker | null = null
  private readonly waiting = new Map<number, Waiting>()
  private asked = 0

  judge(samples: readonly HoldSample[], context: HoldContext): Promise<Judgement> {
    const program = join(process.env.YPEROS_ROOT ?? process.cwd(), '.build/src/workers/judge-thread.mjs')
    // a checkout that was not built (a test run by hand) judges where it is asked
    if (!existsSync(program)) return Promise.resolve(judgementOf(samples, context))
    this.worker ??= this.start(program)
    const number = ++this.asked
    const elapsedS = Float64Array.from(samples, (s) => s.elapsedS)
    const pressurePa = Float64Array.from(samples, (s) => s.pressurePa)
    return new Promise((resolve, reject) => {
      this.waiting.set(number, { resolve, reject })
      this.worker?.ref()
      this.worker?.postMessage({ number, elapsedS, pressurePa, context }, [elapsedS.buffer, pressurePa.buffer])
    })
  }

  private start(program: string): Worker {
    const worker = new Worker(program)
    worker.on(
      'message',
      ({ number, judgement, failed }: { number: number; judgement?: Judgement; failed?: string }) => {
        const waiting = this.waiting.get(number)
        this.waiting.delete(number)
        if (judgement) waiting?.resolve(judgement)
        else waiting?.reject(new Error(`the judge failed: ${failed}`))
        // an idle judge keeps no command from ending
        if (this.waiting.size === 0) worker.unref()
      },
    )
    worker.on('error', (error) => this.lost(error))
    worker.on('exit', (code) => this.lost(new Error(`the judge’s thread ended (${code})`)))
    return worker
  }

  /** Whoever waits is told; the next question starts a new thread. */
  private lost(error: Error): void {
    this.worker = null
    for (const { reject } of this.waiting.values()) reject(error)
    this.waiting.clear()
  }
}

const shared = globalThis as unknown as { yperosJudge?: JudgeThread }

/**
 * Judges a record in a thread of its own, never on the event loop that answers requests.
 * @param samples - in order of time, from isolation on
 */
export function judgeApart(samples: readonly HoldSample[], context: HoldContext): Promise<Judgement> {
  shared.yperosJudge ??= new JudgeThread()
  return shared.yperosJudge.judge(samples, context)
}
