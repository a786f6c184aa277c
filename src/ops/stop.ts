import { parseArgs } from 'node:util'
import { placesOf } from './places'
import { endLeftovers, isAlive, readRunFile } from './run-file'
import { say } from './say'

/** Ends what `up` started, and only that; also what a killed `up` left behind. */
export async function stop(args: string[]): Promise<void> {
  const { values } = parseArgs({ args, options: { name: { type: 'string', default: 'main' } } })
  const { runFile } = placesOf(values.name)
  const run = readRunFile(runFile)
  if (!run) return say('nothing is running')
  if (isAlive(run.supervisor)) {
    process.kill(run.supervisor.pid, 'SIGTERM')
    const until = Date.now() + 60_000
    while (isAlive(run.supervisor) && Date.now() < until) await new Promise((done) => setTimeout(done, 100))
  }
  await endLeftovers(runFile)
  say('stopped')
}
