import type { ChildProcess } from 'node:child_process'
import { stopChild } from './cluster'
import { Deaths } from './deaths'

/** What is wrong with a part: in words, and when it is tried again, wall ms. */
export type Trouble = { words: string; againMs: number }

type Options = {
  name: string
  /** starts the part, says so as soon as there is a process, and resolves when it works; may fail */
  start: (born: (child: ChildProcess) => void) => Promise<ChildProcess>
  /** the part works, or what is wrong and when it is tried again */
  tell: (name: string, trouble: Trouble | null) => void
  /** a process is there, or gone */
  note: (name: string, child: ChildProcess | null) => void
  pause?: (ms: number) => Promise<void>
  now?: () => number
}

/**
 * Keeps one part running for ever: started again when it dies or does not start, with growing pauses, until it is told
 * to end.
 */
export class Keeper {
  private readonly options: Options
  private readonly deaths = new Deaths()
  private child: ChildProcess | null = null
  private unborn: ChildProcess | null = null
  private ended = false
  private wake: (() => void) | null = null

  constructor(options: Options) {
    this.options = options
  }

  /** The process that works. */
  get process(): ChildProcess | null {
    return this.child
  }

  /** The process there is, also one that does not work yet: whoever is killed now leaves it behind. */
  get spawned(): ChildProcess | null {
    return this.child ?? this.unborn
  }

  /** Starts the part for the first time. @throws what `start` throws: whoever calls `up` is there to read it */
  async first(): Promise<void> {
    this.watch(await this.start())
  }

  /** Starts a part that may fail at first, in the background. */
  begin(): void {
    void this.again('starts')
  }

  /** Kills the part, which is then started again: for one that lives and does not answer. */
  async renew(): Promise<void> {
    if (this.child) await stopChild(this.child, 0)
  }

  /** Ends the part and keeps it ended. */
  async end(patienceMs: number): Promise<void> {
    this.ended = true
    this.wake?.()
    if (this.spawned) await stopChild(this.spawned, patienceMs)
  }

  private async start(): Promise<ChildProcess> {
    try {
      return await this.options.start((child) => {
        this.unborn = child
        this.options.note(this.options.name, child)
      })
    } finally {
      this.unborn = null
    }
  }

  private watch(child: ChildProcess): void {
    this.child = child
    this.options.note(this.options.name, child)
    this.options.tell(this.options.name, null)
    const died = () => {
      this.child = null
      this.options.note(this.options.name, null)
      void this.again('died')
    }
    // it may have died before anybody listened
    if (child.exitCode !== null || child.signalCode !== null) died()
    else child.once('exit', died)
  }

  private async again(words: string): Promise<void> {
    const now = this.options.now ?? Date.now
    for (let why = words; !this.ended; ) {
      const pauseMs = this.deaths.note(now())
      this.options.tell(this.options.name, { words: why, againMs: now() + pauseMs })
      await this.rest(pauseMs)
      if (this.ended) return
      try {
        const child = await this.start()
        if (this.ended) await stopChild(child, 0)
        else this.watch(child)
        return
      } catch (error) {
        why = (error as Error).message
      }
    }
  }

  /** A pause that ends early when the part is told to end. */
  private rest(ms: number): Promise<void> {
    if (this.options.pause) return this.options.pause(ms)
    return new Promise((resolve) => {
      const timer = setTimeout(resolve, ms)
      this.wake = () => {
        clearTimeout(timer)
        resolve()
      }
    })
  }
}
