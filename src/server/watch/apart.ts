import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { type Transferable, Worker } from 'node:worker_threads'

type Waiting<Answer> = { resolve: (answer: Answer) => void; reject: (error: Error) => void }
type Told<Answer> = { number: number; answer?: Answer; failed?: string }

/**
 * A program in a thread of its own, off the event loop that answers requests; started when first asked, anew after it
 * was lost. It is asked `{ number, ...question }` and answers `{ number, answer }` or `{ number, failed }`.
 */
export class Apart<Question extends object, Answer> {
  private readonly name: string
  private readonly here: (question: Question) => Answer | Promise<Answer>
  private worker: Worker | null = null
  private readonly waiting = new Map<number, Waiting<Answer>>()
  private asked = 0

  /**
   * @param name - of the program: among the workers, or with its own folder before it
   * @param here - answers where it is asked, in a checkout that was not built (a test run by hand)
   */
  constructor(name: string, here: (question: Question) => Answer | Promise<Answer>) {
    this.name = name
    this.here = here
  }

  ask(question: Question, transfer: readonly Transferable[] = []): Promise<Answer> {
    const path = this.name.includes('/') ? this.name : `workers/${this.name}`
    const program = join(process.env.YPEROS_ROOT ?? process.cwd(), `.build/src/${path}.mjs`)
    if (!existsSync(program)) return Promise.resolve(this.here(question))
    this.worker ??= this.start(program)
    const number = ++this.asked
    return new Promise((resolve, reject) => {
      this.waiting.set(number, { resolve, reject })
      this.worker?.ref()
      this.worker?.postMessage({ number, ...question }, transfer)
    })
  }

  private start(program: string): Worker {
    const worker = new Worker(program)
    worker.on('message', ({ number, answer, failed }: Told<Answer>) => {
      const waiting = this.waiting.get(number)
      this.waiting.delete(number)
      if (answer !== undefined) waiting?.resolve(answer)
      else waiting?.reject(new Error(`${this.name} failed: ${failed}`))
      // an idle thread keeps no command from ending
      if (this.waiting.size === 0) worker.unref()
    })
    worker.on('error', (error) => this.lost(error))
    worker.on('exit', (code) => this.lost(new Error(`${this.name} ended (${code})`)))
    return worker
  }

  /** Whoever waits is told; the next question starts a new thread. */
  private lost(error: Error): void {
    this.worker = null
    for (const { reject } of this.waiting.values()) reject(error)
    this.waiting.clear()
  }
}
