import { spawn, spawnSync } from 'node:child_process'
import { readFileSync, rmSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { parseArgs } from 'node:util'
import { buildWeb } from './build'
import { freePort, startCluster } from './cluster'
import { requireChromium, requireCurl, requirePostgres } from './packages'
import { type Places, placesOf } from './places'
import { requireCaddy } from './proxy'
import { Stop, say } from './say'
import { stop } from './stop'

const STAGES = ['lint', 'types', 'unit', 'database', 'e2e'] as const
/** What `test` runs without a name; `long` and `quick` run when named. */
type Stage = (typeof STAGES)[number] | 'long' | 'quick'
const NAMED: readonly string[] = [...STAGES, 'long', 'quick']

/** How the name of a test ends that only `long` runs, a pattern as Vitest takes it; and of all others. */
const LONG = '@long'
const NOT_LONG = `^((?!${LONG}).)*$`

/** Minutes a soak of the long tests lasts. */
const SOAK_MIN = 3

/**
 * Runs every check, or the stages named; ends with a line `N passed, N failed` that counts tests. `long`: what is
 * marked `@long` (whole jobs on the bench's clock, killed parts, many records), a soak. `quick`: lint, types and the
 * unit tests a change touches. Words after `--` choose tests: files for the unit and database stages, anything
 * Playwright takes for e2e and long.
 */
export async function test(args: string[]): Promise<void> {
  const cut = args.indexOf('--')
  const chosen = cut < 0 ? [] : args.slice(cut + 1)
  const { positionals } = parseArgs({ args: cut < 0 ? args : args.slice(0, cut), allowPositionals: true })
  const unknown = positionals.find((p) => !NAMED.includes(p))
  if (unknown) throw new Stop(`test ${unknown}: give some of ${NAMED.join(', ')}, or none for ${STAGES.join(', ')}`)
  const wanted = (stage: Stage) =>
    positionals.length === 0 ? (STAGES as readonly string[]).includes(stage) : positionals.includes(stage)
  requirePostgres()
  const root = placesOf('test').root
  if (wanted('e2e') || wanted('long')) {
    requireChromium()
    // the tests themselves reach nothing but this machine
    requireCaddy(root)
    requireCurl()
  }
  const failed: string[] = []
  const count = { passed: 0, failed: 0 }
  const run = async (stage: string, when: boolean, work: () => Ran | Promise<Ran>) => {
    if (!when) return
    const begun = Date.now()
    const ran = await work()
    say(`${stage} took ${Math.round((Date.now() - begun) / 1000)} s`)
    count.passed += ran.passed
    count.failed += ran.failed
    if (!ran.ok) failed.push(stage)
  }
  const units = ['--project', 'core', '--project', 'parts']
  // who names tests means these, however long they are
  const short = chosen.length > 0 ? [] : ['-t', NOT_LONG]
  await run('lint', wanted('lint') || wanted('quick'), () =>
    runBin(root, 'biome', ['check', '--error-on-warnings', '.']),
  )
  await run('types', wanted('types') || wanted('quick'), () => runBin(root, 'tsc', ['--noEmit']))
  await run('quick', wanted('quick'), () =>
    runBin(root, 'vitest', ['run', ...units, '--changed', '--passWithNoTests', ...short, ...chosen]),
  )
  // the database's tests take turns and wait for it most of the time: the others run beside them on both cores
  await Promise.all([
    run('unit', wanted('unit'), () => runBin(root, 'vitest', ['run', ...units, ...short, ...chosen])),
    run('database', wanted('database'), () => databaseTests(root, [...short, ...chosen])),
  ])
  await run('long units', wanted('long') && chosen.length === 0, () =>
    runBin(root, 'vitest', ['run', ...units, '-t', LONG]),
  )
  await run('long database', wanted('long') && chosen.length === 0, () => databaseTests(root, ['-t', LONG]))
  await run('e2e', wanted('e2e'), () => endToEndTests(root, 'e2e', chosen))
  await run('long', wanted('long'), () => endToEndTests(root, 'long', chosen))
  await run('soak', wanted('long') && chosen.length === 0, () => soak(root))
  say(failed.length === 0 ? 'all stages passed' : `failed: ${failed.join(', ')}`)
  process.stdout.write(`${count.passed} passed, ${count.failed} failed\n`)
  if (failed.length > 0) process.exit(1)
}

/** A shop under load whose parts are killed: nothing acknowledged may be lost or doubled. */
function soak(root: string): Ran {
  const done = spawnSync(
    process.execPath,
    ['--enable-source-maps', join(root, '.build/perf/main.mjs'), '--soak', String(SOAK_MIN)],
    { cwd: root, encoding: 'utf8' },
  )
  process.stdout.write(done.stdout)
  process.stderr.write(done.stderr)
  return { ok: done.status === 0, passed: done.status === 0 ? 1 : 0, failed: done.status === 0 ? 0 : 1 }
}

type Ran = { ok: boolean; passed: number; failed: number }

async function runBin(root: string, bin: string, args: string[], env: Record<string, string> = {}): Promise<Ran> {
  say(`${bin} ${args.join(' ')}`)
  const child = spawn(process.execPath, [binPath(root, bin), ...args], {
    cwd: root,
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', CI: 'true', NO_COLOR: '1', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  // told when it is over, so that two that run beside each other are read one after the other
  const [stdout, stderr]: [Buffer[], Buffer[]] = [[], []]
  child.stdout.on('data', (piece: Buffer) => stdout.push(piece))
  child.stderr.on('data', (piece: Buffer) => stderr.push(piece))
  const status = await new Promise<number>((resolve) => child.once('close', (code) => resolve(code ?? 1)))
  return tell({ status, stdout: Buffer.concat(stdout).toString(), stderr: Buffer.concat(stderr).toString() })
}

const binPath = (root: string, bin: string): string => {
  const manifest = JSON.parse(
    readFileSync(join(root, 'node_modules', PACKAGE_OF[bin] ?? bin, 'package.json'), 'utf8'),
  ) as { bin: string | Record<string, string> }
  const path = typeof manifest.bin === 'string' ? manifest.bin : (manifest.bin[bin] as string)
  return join(root, 'node_modules', PACKAGE_OF[bin] ?? bin, path)
}
const PACKAGE_OF: Record<string, string> = {
  biome: '@biomejs/biome',
  tsc: 'typescript',
  playwright: '@playwright/test',
}

function tell(done: { status: number; stdout: string; stderr: string }): Ran {
  process.stdout.write(done.stdout)
  process.stderr.write(done.stderr)
  // vitest: "Tests  3 failed | 120 passed (123)"; Playwright: "  12 passed (40.1s)" and "  1 failed"
  const line = /^\s*Tests\s+(.*)$/m.exec(done.stdout)?.[1] ?? done.stdout.split('\n').slice(-12).join('\n')
  const number = (word: string) => Number(new RegExp(`(\\d+) ${word}`).exec(line)?.[1] ?? 0)
  return { ok: done.status === 0, passed: number('passed'), failed: number('failed') }
}

/** A cluster from nothing, thrown away afterwards. */
function throwAway(places: Places): void {
  rmSync(dirname(places.data) === places.state ? places.data : dirname(places.data), { recursive: true, force: true })
  rmSync(places.state, { recursive: true, force: true })
}

async function databaseTests(root: string, files: readonly string[]): Promise<Ran> {
  await stop(['--name', 'test-database'])
  throwAway(placesOf('test-database'))
  const places = placesOf('test-database')
  const cluster = await startCluster(places, undefined, undefined, true)
  try {
    return await runBin(root, 'vitest', ['run', '--project', 'database', ...files], {
      DATABASE_URL: cluster.url,
      YPEROS_LOG: 'silent',
    })
  } finally {
    await cluster.stop()
    throwAway(places)
  }
}

/** Drives the real start command, with no network but loopback where the system lets us take it away. */
async function endToEndTests(root: string, stage: 'e2e' | 'long', chosen: readonly string[]): Promise<Ran> {
  await stop(['--name', 'test'])
  throwAway(placesOf('test'))
  await buildWeb(root)
  const port = await freePort()
  const address = `http://127.0.0.1:${port}`
  const inside = lonely()
  const script = [
    inside.length > 0 ? 'ip link set lo up' : ':',
    `"$YPEROS_ROOT/yperos" up --name test --port ${port} & up=$!`,
    `for i in $(seq 600); ` +
      `do curl_ok=$("$NODE" -e 'fetch(process.argv[1]).then(r=>console.log(r.ok),()=>console.log(false))' ` +
      `${address}/api/health); [ "$curl_ok" = true ] && break; kill -0 $up 2>/dev/null || exit 1; sleep 0.2; done`,
    `"$NODE" "$PLAYWRIGHT" test "$@"; code=$?`,
    'kill -TERM $up; wait $up; exit $code',
  ].join('\n')
  const env = {
    ...process.env,
    NODE: process.execPath,
    PLAYWRIGHT: binPath(root, 'playwright'),
    NEXT_TELEMETRY_DISABLED: '1',
    NO_COLOR: '1',
    YPEROS_E2E_ADDRESS: address,
    // whoever calls may have another shop in mind: these tests drive their own
    YPEROS_E2E_NAME: 'test',
    YPEROS_STAGE: stage,
    YPEROS_NO_NETWORK: inside.length > 0 ? '1' : '0',
    DATABASE_URL: '',
  }
  say(
    `playwright test, ` +
      `${inside.length > 0 ? 'with no network but loopback' : 'network not taken away (needs root and unshare)'}`,
  )
  const [command = 'sh', ...rest] = [...inside, 'sh', '-c', script, 'sh', ...chosen]
  const child = spawn(command, rest, { cwd: root, env, stdio: ['ignore', 'pipe', 'inherit'] })
  let output = ''
  child.stdout.on('data', (chunk: Buffer) => {
    output += chunk
    process.stdout.write(chunk)
  })
  const status = await new Promise<number>((resolve) => child.once('exit', (code) => resolve(code ?? 1)))
  const number = (word: string) => Number(new RegExp(`^\\s*(\\d+) ${word}`, 'm').exec(output)?.[1] ?? 0)
  return { ok: status === 0, passed: number('passed'), failed: number('failed') }
}

/**
 * The command that runs another one in a network namespace with nothing but loopback; empty when that is not allowed
 * here.
 */
function lonely(): string[] {
  const command = ['unshare', '--net', '--']
  const works = spawnSync(command[0] as string, [...command.slice(1), 'ip', 'link', 'set', 'lo', 'up']).status === 0
  return works ? command : []
}
