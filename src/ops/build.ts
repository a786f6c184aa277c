import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { Stop, say } from './say'
import { buildServiceWorker } from './service-worker'

/**
 * Newest change below a folder or of a file, ms; 0 when it is not there. Tests do not count: nothing is built of them.
 */
function newest(path: string): number {
  if (!existsSync(path)) return 0
  const stat = statSync(path)
  if (!stat.isDirectory()) return /\.test\.tsx?$/.test(path) ? 0 : stat.mtimeMs
  return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))))
}

/** Builds the web application unless the build there is newer than everything it is made of. */
export async function buildWeb(root: string): Promise<void> {
  const mark = join(root, '.next', 'BUILD_ID')
  const sources = ['src', 'package-lock.json', 'next.config.ts', 'postcss.config.mjs', 'tsconfig.json'].map((p) =>
    newest(join(root, p)),
  )
  const worker = join(root, 'public/sw.js')
  if (existsSync(mark) && existsSync(worker) && statSync(worker).mtimeMs > Math.max(...sources)) return
  say('building the web application, once')
  const env = { ...process.env, NODE_ENV: 'production' as const, NEXT_TELEMETRY_DISABLED: '1' }
  const built = spawnSync(process.execPath, [join(root, 'node_modules/next/dist/bin/next'), 'build'], {
    cwd: root,
    env,
    encoding: 'utf8',
  })
  if (built.status !== 0) throw new Stop(`the build failed:\n${built.stdout}\n${built.stderr}`)
  await buildServiceWorker(root)
}
