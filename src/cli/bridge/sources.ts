import { execFile } from 'node:child_process'
import { createReadStream, readFileSync } from 'node:fs'
import { connect } from 'node:net'
import { createInterface } from 'node:readline'
import type { Readable } from 'node:stream'
import { setTimeout as sleep } from 'node:timers/promises'
import { promisify } from 'node:util'
import { BadInput } from '../command'

/** Lines as a device prints them. */
export type Lines = AsyncIterable<string>

const linesOf = (stream: Readable): Lines => createInterface({ input: stream, crlfDelay: Number.POSITIVE_INFINITY })

/** Lines of standard input, to its end. */
export const fromStdin = (): Lines => linesOf(process.stdin)

/** How long after a line that broke it is tried again, ms. */
const AGAIN_MS = 2000

/** Lines of a source that is opened again whenever it breaks: an unplugged cable, a server that was switched off. */
async function* reopened(open: () => Promise<Readable>, name: string, say: (words: string) => void): Lines {
  let lost = false
  for (;;) {
    try {
      const stream = await open()
      if (lost) say(`${name} is there again`)
      lost = false
      for await (const line of linesOf(stream)) yield line
    } catch (error) {
      if (!lost) say(`${name}: ${(error as Error).message}; trying again`)
    }
    lost = true
    await sleep(AGAIN_MS)
  }
}

/** Lines of a serial port, set to its speed and to raw bytes. @throws BadInput where there is no such port */
export function fromSerial(path: string, baud: number, say: (words: string) => void): Lines {
  return reopened(
    async () => {
      await promisify(execFile)('stty', ['-F', path, String(baud), 'raw', '-echo'])
      return createReadStream(path)
    },
    path,
    say,
  )
}

/** Lines of a device that listens on the network, such as `192.0.2.7:4001`. */
export function fromTcp(where: string, say: (words: string) => void): Lines {
  const at = /^(.+):(\d{1,5})$/.exec(where)
  if (!at) throw new BadInput(`--tcp is "${where}"; expected as host:port`)
  return reopened(
    () =>
      new Promise<Readable>((resolve, reject) => {
        const socket = connect(Number(at[2]), at[1] as string, () => resolve(socket))
        socket.once('error', reject)
      }),
    where,
    say,
  )
}

/**
 * Lines of a recording, each with the seconds it was printed at before a tab, played at their own pace.
 * @param speed - times as fast
 */
export async function* fromRecording(file: string, speed: number): Lines {
  const startMs = Date.now()
  for (const [i, line] of readFileSync(file, 'utf8').split('\n').entries()) {
    if (line.trim() === '') continue
    const at = /^(\d+(?:\.\d+)?)\t(.*)$/.exec(line)
    if (!at) throw new BadInput(`${file}: line ${i + 1}: expected seconds, a tab, and what was printed`)
    await sleep(Math.max(0, startMs + (Number(at[1]) * 1000) / speed - Date.now()))
    yield at[2] as string
  }
}
