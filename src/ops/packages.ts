import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Stop, say } from './say'

const APT = 'apt-get install -y --no-install-recommends'

/** Installs a Debian package as root; otherwise prints the exact command and stops. */
function installDebian(name: string, what: string): void {
  if (process.getuid?.() !== 0)
    throw new Stop(`${what} is missing. Install it with:\n  sudo sh -c 'apt-get update && ${APT} ${name}'`)
  say(`installing ${what} from Debian's packages`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  for (const command of ['apt-get update', `${APT} ${name}`]) {
    const done = spawnSync('sh', ['-c', command], { env, stdio: ['ignore', 'pipe', 'pipe'], encoding: 'utf8' })
    if (done.status !== 0)
      throw new Stop(`"${command}" failed:\n${(done.stderr || done.stdout).trim().split('\n').slice(-5).join('\n')}`)
  }
}

/** Folder of the newest PostgreSQL server programs Debian installed, or null. */
export function findPostgres(): string | null {
  const base = '/usr/lib/postgresql'
  if (!existsSync(base)) return null
  const versions = readdirSync(base)
    .filter((v) => existsSync(join(base, v, 'bin', 'initdb')))
    .sort((a, b) => Number(b) - Number(a))
  return versions[0] ? join(base, versions[0], 'bin') : null
}

export function requirePostgres(): string {
  const found = findPostgres()
  if (found) return found
  if (process.getuid?.() === 0 && !existsSync('/etc/postgresql-common')) {
    // Debian would make and start a cluster of its own on port 5432, which nobody asked for
    mkdirSync('/etc/postgresql-common/createcluster.d', { recursive: true })
    writeFileSync('/etc/postgresql-common/createcluster.d/yperos.conf', 'create_main_cluster = false\n')
  }
  installDebian('postgresql', 'PostgreSQL')
  const installed = findPostgres()
  if (!installed) throw new Stop('PostgreSQL was installed but its server programs are not under /usr/lib/postgresql')
  return installed
}

/**
 * Debian's browser without a window is the lighter of the two for tests: a fifth less time for the same pages (measured
 * on two cores).
 */
const CHROMIUMS = [
  { path: '/usr/bin/chromium-headless-shell', debian: 'chromium-headless-shell' },
  { path: '/usr/bin/chromium', debian: 'chromium' },
] as const

/** The browser that is there, or null. */
export const findChromium = (): string | null => CHROMIUMS.find((c) => existsSync(c.path))?.path ?? null

/** The browser for tests and measurements; installed where none is. */
export function requireChromium(): string {
  const found = findChromium()
  if (found) return found
  const [light, full] = CHROMIUMS
  try {
    installDebian(light.debian, 'Chromium without a window')
  } catch (error) {
    // an older Debian has only the whole browser; without the right to install the first answer stands
    if (process.getuid?.() !== 0) throw error
    installDebian(full.debian, 'Chromium')
  }
  const installed = findChromium()
  if (!installed) throw new Stop('Chromium was installed but is not where Debian puts it, under /usr/bin')
  return installed
}

/** What the client printed in docs/ingest.md sends with; installed where there is none. */
export function requireCurl(): void {
  if (!existsSync('/usr/bin/curl')) installDebian('curl', 'curl')
}
