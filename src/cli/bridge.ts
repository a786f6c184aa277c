import { join, resolve } from 'node:path'
import { LineMap, readLine } from '@/core/readings/line-map'
import { Queue } from './bridge/queue'
import { Sender } from './bridge/sender'
import { fromRecording, fromSerial, fromStdin, fromTcp, type Lines } from './bridge/sources'
import { BadInput, type Command, emit, numberOf, readArgs, readJsonFile } from './command'

/** Lines a map may find nothing in before it is said that it fits none of them. */
const SHOWN = 3

const say = (words: string): void => {
  process.stderr.write(`yperos bridge: ${words}\n`)
}

/** `bridge --map scale.map.json …`: lets any device in that prints lines. */
export const bridge: Command = {
  usage:
    '--map MAP.json [--serial PORT [--baud N] | --tcp HOST:PORT | --simulate RECORDING [--speed N]] [--to ' +
    'ADDRESS] [--keep FOLDER]',
  does: [
    'Turns the lines a device prints (standard input unless told) into readings and sends them to the one ' +
      'ingest, in order.',
    'While the server is away they are kept on disk and sent later; nothing is stored twice. The token is taken ' +
      'from YPEROS_TOKEN.',
    'docs/ingest.md has the map file; examples/bridge has two, with recordings to play.',
  ].join('\n'),
  options: {
    '--map FILE': 'how a line becomes a reading',
    '--serial PORT': 'a serial port, such as /dev/ttyUSB0',
    '--baud N': 'its speed (9600)',
    '--tcp HOST:PORT': 'a device that listens on the network',
    '--simulate RECORDING': 'plays what a device printed, as if it stood here',
    '--speed N': 'how many times as fast (1)',
    '--to ADDRESS': 'the server (http://127.0.0.1:4600)',
    '--keep FOLDER': 'where unsent readings are kept (.yperos/bridge/INSTRUMENT)',
  },
  run: async (args) => {
    const { values } = readArgs(args, {
      map: { type: 'string' },
      serial: { type: 'string' },
      baud: { type: 'string' },
      tcp: { type: 'string' },
      simulate: { type: 'string' },
      speed: { type: 'string' },
      to: { type: 'string' },
      keep: { type: 'string' },
    })
    const told = values as Record<string, string | undefined>
    if (!told.map) throw new BadInput('bridge needs --map: the file that says how a line becomes a reading')
    const map = readJsonFile(told.map, LineMap)
    const token = process.env.YPEROS_TOKEN
    if (!token) throw new BadInput('YPEROS_TOKEN is not set: the Shop page tells an instrument’s token once')
    const folder = resolve(told.keep ?? join('.yperos', 'bridge', map.instrument.replace(/[^\w-]+/g, '_')))
    const queue = new Queue(folder, map.instrument)
    const server = (told.to ?? 'http://127.0.0.1:4600').replace(/\/+$/, '')
    const sender = new Sender(queue, server, token, join(folder, 'refused.ndjson'), say)
    const taken = await carry(map, sourceOf(told), queue, sender)
    if (taken.matched === 0 && taken.misses.length > 0) throw noMatch(told.map, taken.misses)
    emit(values.json === true, { lines: taken.lines, ...sender.told, kept: queue.head().length }, (r) =>
      [`${r.lines} lines, ${r.sent} readings sent`, ...(r.kept > 0 ? ['some are kept on disk'] : [])].join(', '),
    )
    return 0
  },
}

function sourceOf(told: Record<string, string | undefined>): Lines {
  if (told.serial) return fromSerial(told.serial, numberOf('--baud', told.baud ?? '9600'), say)
  if (told.tcp) return fromTcp(told.tcp, say)
  if (told.simulate) return fromRecording(told.simulate, numberOf('--speed', told.speed ?? '1'))
  return fromStdin()
}

type Miss = { line: string; why: string }
type Taken = { lines: number; matched: number; misses: Miss[] }

/** Reads and sends side by side: a server that is away keeps no line waiting. */
async function carry(map: LineMap, lines: Lines, queue: Queue, sender: Sender): Promise<Taken> {
  const taken: Taken = { lines: 0, matched: 0, misses: [] }
  let ended = false
  const sending = (async () => {
    while (!ended || (queue.head().length > 0 && !sender.away)) {
      if (!(await sender.step())) await new Promise((done) => setTimeout(done, 50))
    }
  })()
  // a token that is not taken ends the reading too
  const broken = sending.then(() => new Promise<never>(() => undefined))
  try {
    await Promise.race([broken, readAll(map, lines, queue, taken)])
  } catch (error) {
    // a device that goes on printing would keep the process up
    setTimeout(() => process.exit(), 100).unref()
    throw error
  } finally {
    ended = true
  }
  await sending
  return taken
}

async function readAll(map: LineMap, lines: Lines, queue: Queue, taken: Taken): Promise<void> {
  for await (const line of lines) {
    if (line.trim() === '') continue
    taken.lines += 1
    const read = readLine(map, line)
    if ('readings' in read) {
      taken.matched += 1
      queue.push(read.readings, new Date().toISOString())
    } else if (taken.misses.length < SHOWN) {
      taken.misses.push({ line, why: read.why })
      if (taken.matched === 0 && taken.misses.length === SHOWN) for (const m of taken.misses) say(missWords(m))
    }
  }
}

const missWords = ({ line, why }: Miss): string => `nothing found in "${line}": ${why}`

const noMatch = (map: string, misses: readonly Miss[]): BadInput =>
  new BadInput(`${map} fits none of the lines: ${misses.map(missWords).join(' · ')}`)
