import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Stop, say } from './say'

const APT = 'apt-get install -y --no-install-recommends'

/** Installs a Debian package as root; otherwise prints the exact command and stops. */
function installDebian(name: string, what: string): void {
  if (process.getuid?.() !== 0) throw new Stop(`${what} is missing. Install it with:\n  sudo sh -c 'apt-get update && ${APT} ${name}'`)
  say(`installing ${what} from Debian's packages`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  for (const command of ['apt-get update', `${APT} ${name}`]) {
    const done = spawnSync('sh', ['-c', command], { env, stdio: ['ignore', 'pipe', 'pipe'], encoding: 'utf8' })
    if (done.status !== 0) throw new Stop(`"${command}" failed:\n${(done.stderr || done.stdout).trim().split('\n').slice(-5).join('\n')}`)
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

export const CHROMIUM = '/usr/bin/chromium'

export function requireChromium(): void {
  if (!existsSync(CHROMIUM)) installDebian('chromium', 'Chromium')
}
