import { parseArgs } from 'node:util'
import { readMark } from './lock'
import { placesOf } from './places'
import { endLeftovers, isAlive, readRunFile } from './run-file'
import { say } from './say'

/** Ends what `up` started, and only that; also what a killed `up` left behind. */
export async function stop(args: string[]): Promise<void> {
  const { values } = parseArgs({ args, options: { name: { type: 'string', default: 'main' } } })
  const { runFile, lockFile } = placesOf(values.name)
  // one that is just starting has a lock before it has parts
  const supervisor = readRunFile(runFile)?.supervisor ?? readMark(lockFile)
  if (!supervisor) return say('nothing is running')
  if (isAlive(supervisor)) {
    process.kill(supervisor.pid, 'SIGTERM')
    const until = Date.now() + 60_000
    while (isAlive(supervisor) && Date.now() < until) await new Promise((done) => setTimeout(done, 50))
  }
  await endLeftovers(runFile)
  say('stopped')
}
