import { type ChildProcess, spawn } from 'node:child_process'
import { join } from 'node:path'
import { stopChild } from './cluster'
import { openLog } from './log-file'
import type { Places } from './places'
import { authorityOf } from './proxy'
import { Stop } from './say'

/** Starts a Node program of the checkout in a process group of its own, its output in a log of the state folder. */
function startNode(places: Places, name: string, args: string[], env: Record<string, string>): ChildProcess {
  const logFile = openLog(join(places.state, `${name}.log`))
  return spawn(process.execPath, args, {
    cwd: places.root,
    detached: true,
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1', ...env },
    stdio: ['ignore', logFile, logFile, 'ipc'],
  })
}

/**
 * @param cookie - name of its cookie, for an installation beside another on one machine
 * @param lan - names it is reached by through the proxy of this machine, whose word for the sender's address is taken
 */
export function startWeb(
  places: Places,
  databaseUrl: string,
  host: string,
  port: number,
  { cookie, lan }: { cookie?: string | undefined; lan?: readonly string[] | undefined } = {},
): ChildProcess {
  const program = join(places.root, '.build/src/web/main.mjs')
  return startNode(places, 'web', ['--enable-source-maps', program, host, String(port)], {
    DATABASE_URL: databaseUrl,
    ...(cookie !== undefined && { YPEROS_COOKIE: cookie }),
    ...(lan && {
      YPEROS_HOSTS: [process.env.YPEROS_HOSTS ?? '', ...lan].join(','),
      YPEROS_PROXY: '127.0.0.1',
      YPEROS_AUTHORITY: authorityOf(places),
    }),
  })
}

export function startBenchProcess(places: Places, address: string, token: string): ChildProcess {
  const program = join(places.root, '.build/src/bench/main.mjs')
  return startNode(places, 'bench', ['--enable-source-maps', program], {
    YPEROS_ADDRESS: address,
    YPEROS_BENCH_TOKEN: token,
  })
}

/** What the web server says of its health: it works, it cannot reach the database, or it does not answer at all. */
export async function healthOf(address: string, patienceMs: number): Promise<'fine' | 'no-database' | 'silent'> {
  return fetch(`${address}/api/health`, { signal: AbortSignal.timeout(patienceMs) }).then(
    (r) => (r.ok ? 'fine' : 'no-database'),
    () => 'silent',
  )
}

/** Waits until the web server answers its health check, whatever it says; one that does not is ended. */
export async function waitForWeb(address: string, child: ChildProcess, logFile: string): Promise<void> {
  const until = Date.now() + 60_000
  while (Date.now() < until && child.exitCode === null) {
    if ((await healthOf(address, 2000)) !== 'silent') return
    await new Promise((done) => setTimeout(done, 100))
  }
  await stopChild(child, 0)
  throw new Stop(`it did not answer at ${address}; see ${logFile}`)
}
