import { type ChildProcess, spawn } from 'node:child_process'
import { openSync } from 'node:fs'
import { join } from 'node:path'
import type { Places } from './places'
import { Stop } from './say'

/** Starts a Node program of the checkout in a process group of its own, its output in a log of the state folder. */
function startNode(places: Places, name: string, args: string[], env: Record<string, string>): ChildProcess {
  const logFile = openSync(join(places.state, `${name}.log`), 'a', 0o600)
  return spawn(process.execPath, args, {
    cwd: places.root,
    detached: true,
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1', ...env },
    stdio: ['ignore', logFile, logFile],
  })
}

/** Longer than any client or proxy keeps a line idle: a line closed at the moment it is used again loses a request, ms. */
const KEEP_ALIVE_MS = 75_000

export function startWeb(places: Places, databaseUrl: string, host: string, port: number): ChildProcess {
  const next = join(places.root, 'node_modules/next/dist/bin/next')
  return startNode(places, 'web', [next, 'start', '-H', host, '-p', String(port), '--keepAliveTimeout', String(KEEP_ALIVE_MS)], { DATABASE_URL: databaseUrl })
}

export function startBenchProcess(places: Places, address: string, token: string): ChildProcess {
  const program = join(places.root, '.build/src/bench/main.mjs')
  return startNode(places, 'bench', ['--enable-source-maps', program], { YPEROS_ADDRESS: address, YPEROS_BENCH_TOKEN: token })
}

/** Waits until the web server answers its health check. */
export async function waitForWeb(address: string, child: ChildProcess, logFile: string): Promise<void> {
  const until = Date.now() + 60_000
  while (Date.now() < until && child.exitCode === null) {
    const ok = await fetch(`${address}/api/health`).then(
      (r) => r.ok,
      () => false,
    )
    if (ok) return
    await new Promise((done) => setTimeout(done, 100))
  }
  throw new Stop(`the web server did not answer at ${address}; see ${logFile}`)
}
