import { appendFileSync } from 'node:fs'
import { setTimeout as sleep } from 'node:timers/promises'
import { BadInput } from '../command'
import type { Queue } from './queue'

/** Pauses between two tries while the server is away, ms: from the first, doubled up to the last. */
const FIRST_PAUSE_MS = 300
const LAST_PAUSE_MS = 15_000
/** A request is given up after so long, ms. */
const PATIENCE_MS = 20_000

type Said = (words: string) => void

/** Sends what is queued, in order, and goes on where it was when the server comes back. */
export class Sender {
  private awayMs = 0
  /** lines the next request takes at most */
  private limit = Number.POSITIVE_INFINITY
  readonly told = { sent: 0, refused: 0, odd: 0, unattached: 0 }

  /** @param refused - file that what the server refuses is set aside in */
  constructor(
    private readonly queue: Queue,
    private readonly server: string,
    private readonly token: string,
    private readonly refused: string,
    private readonly say: Said,
  ) {}

  /**
   * Sends one request's worth. @returns whether there may be more to send
   * @throws BadInput when the token is not taken: what was read stays on disk
   */
  async step(): Promise<boolean> {
    const lines = this.queue.head().slice(0, this.limit)
    this.limit = Number.POSITIVE_INFINITY
    if (lines.length === 0) return false
    const answer = await this.post(lines)
    if (!answer) {
      await this.wait()
      return true
    }
    if (this.awayMs > 0) this.say('the server answers again')
    this.awayMs = 0
    if (answer.status === 401 || answer.status === 403)
      throw new BadInput(`${this.server} does not take this token: ${answer.told.message}; what was read is kept`)
    if (answer.status === 400) this.setAside(lines, answer.told.faults ?? [])
    else this.count(lines, answer.told)
    return true
  }

  /** Whether the last try found nobody. */
  get away(): boolean {
    return this.awayMs > 0
  }

  private async post(lines: readonly string[]): Promise<{ status: number; told: Told } | null> {
    try {
      const answer = await fetch(`${this.server}/api/ingest`, {
        method: 'POST',
        headers: { authorization: `Bearer ${this.token}`, 'content-type': 'application/x-ndjson' },
        body: lines.join('\n'),
        signal: AbortSignal.timeout(PATIENCE_MS),
      })
      const told = (await answer.json()) as Told
      return answer.status >= 500 || answer.status === 429 || answer.status === 408
        ? null
        : { status: answer.status, told }
    } catch {
      return null
    }
  }

  private async wait(): Promise<void> {
    if (this.awayMs === 0) this.say(`${this.server} does not answer: what is read is kept on disk and sent later`)
    this.awayMs = Math.min(LAST_PAUSE_MS, Math.max(FIRST_PAUSE_MS, this.awayMs * 2))
    await sleep(this.awayMs)
  }

  private count(lines: readonly string[], told: Told): void {
    this.queue.done(lines)
    this.told.sent += lines.length
    this.told.unattached += told.unattached ?? 0
    if ((told.odd ?? 0) > this.told.odd) this.say(`${told.odd} readings are odd to the server: the Shop page says why`)
    this.told.odd += told.odd ?? 0
  }

  /**
   * A faulty line stops its whole batch: up to the first one it is sent again, and that one goes aside with its
   * reason.
   */
  private setAside(lines: readonly string[], faults: readonly { path: string; reason: string }[]): void {
    const place = Number(/^line (\d+)/.exec(faults[0]?.path ?? '')?.[1] ?? 1)
    if (place > 1) {
      // what stands before it is sound; it is sent by itself in the next step
      this.limit = place - 1
      return
    }
    const bad = lines[0] as string
    this.say(`refused: ${faults[0]?.reason ?? 'a fault'}: ${bad}`)
    appendFileSync(this.refused, `${bad}\n`, { mode: 0o600 })
    this.told.refused += 1
    this.queue.done([bad])
  }
}

type Told = {
  message?: string
  unattached?: number
  odd?: number
  faults?: { path: string; reason: string }[]
}
