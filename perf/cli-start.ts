import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { atMost, type Measure, percentile } from './measure'

const RUNS = 9

/** How long the command line takes from the key to the answer, with everything built. */
export function measureCommandLine(root: string): Measure[] {
  const once = () => {
    const began = performance.now()
    const done = spawnSync(join(root, 'yperos'), ['saturation', '--fluid', 'water', '--celsius', '25', '--json'], {
      encoding: 'utf8',
    })
    if (done.status !== 0) throw new Error(`the command line failed: ${done.stderr}`)
    return (performance.now() - began) / 1000
  }
  once()
  return [
    atMost(
      `a command of the command line, start to end, median of ${RUNS}`,
      percentile(Array.from({ length: RUNS }, once), 0.5),
      's',
      0.4,
    ),
  ]
}
