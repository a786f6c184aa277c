import {
  closeSync,
  existsSync,
  fdatasyncSync,
  mkdirSync,
  openSync,
  readFileSync,
  readSync,
  renameSync,
  statSync,
  truncateSync,
  writeFileSync,
  writeSync,
} from 'node:fs'
import { join } from 'node:path'
import type { LineReading } from '@/core/readings/line-map'

/** A file that was sent whole is begun anew from this size on, bytes. */
const WHOLE = 1_000_000
/** Sent in one request at most: as many lines and bytes as the ingest takes. */
const MOST_LINES = 600
const MOST_BYTES = 400_000

type State = { sent: number; next: number }

/** What was read and is not acknowledged yet, on disk: in order, numbered, and nothing of it twice. */
export class Queue {
  private readonly file: string
  private readonly stateFile: string
  private state: State

  /** @param folder - made when it is not there; one bridge at a time */
  constructor(
    folder: string,
    private readonly instrument: string,
  ) {
    mkdirSync(folder, { recursive: true, mode: 0o700 })
    this.file = join(folder, 'lines.ndjson')
    this.stateFile = join(folder, 'state.json')
    // without a state the numbers begin at the clock, so that they never fall behind ones of a folder that was lost
    this.state = existsSync(this.stateFile)
      ? (JSON.parse(readFileSync(this.stateFile, 'utf8')) as State)
      : { sent: 0, next: Date.now() }
    this.mend()
  }

  /** A line that was being written when the power went is cut off; numbers go on behind the last whole one. */
  private mend(): void {
    if (!existsSync(this.file)) writeFileSync(this.file, '', { mode: 0o600 })
    const text = readFileSync(this.file, 'utf8')
    const whole = text.lastIndexOf('\n') + 1
    if (whole < text.length) truncateSync(this.file, Buffer.byteLength(text.slice(0, whole)))
    const last = text.slice(0, whole).trimEnd().split('\n').pop()
    if (last) this.state.next = Math.max(this.state.next, (JSON.parse(last) as { seq: number }).seq + 1)
    this.state.sent = Math.min(this.state.sent, Buffer.byteLength(text.slice(0, whole)))
  }

  /** Keeps readings; they are on the disk when this returns. */
  push(readings: readonly LineReading[], at: string): void {
    const lines = readings.map(
      (r) => `${JSON.stringify({ instrument: this.instrument, seq: this.state.next++, at, ...r })}\n`,
    )
    const file = openSync(this.file, 'a', 0o600)
    writeSync(file, lines.join(''))
    fdatasyncSync(file)
    closeSync(file)
  }

  /** The oldest lines that were not acknowledged, as many as one request takes; empty when all were. */
  head(): string[] {
    const left = this.left()
    if (left === 0) return []
    const buffer = Buffer.alloc(Math.min(left, MOST_BYTES))
    const file = openSync(this.file, 'r')
    const read = readSync(file, buffer, 0, buffer.length, this.state.sent)
    closeSync(file)
    const text = buffer.subarray(0, read).toString('utf8')
    return text.slice(0, text.lastIndexOf('\n')).split('\n').filter(Boolean).slice(0, MOST_LINES)
  }

  /** The first `lines` of the head were acknowledged, or set aside for good. */
  done(lines: readonly string[]): void {
    this.state.sent += lines.reduce((sum, l) => sum + Buffer.byteLength(l) + 1, 0)
    if (this.left() === 0 && this.state.sent > WHOLE) {
      truncateSync(this.file, 0)
      this.state.sent = 0
    }
    writeFileSync(`${this.stateFile}.new`, JSON.stringify(this.state), { mode: 0o600 })
    renameSync(`${this.stateFile}.new`, this.stateFile)
  }

  private left(): number {
    return statSync(this.file).size - this.state.sent
  }
}
