import { type ChildProcess, spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, readdirSync, renameSync, rmSync } from 'node:fs'
import { request } from 'node:https'
import { hostname, networkInterfaces, tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { stopChild } from './cluster'
import { openLog } from './log-file'
import type { Places } from './places'
import { writeWhole } from './run-file'
import { Stop, say } from './say'

/** Ports of the shop's own network, counted from the web server's: https, and plain for the authority's certificate. */
const TLS_ABOVE = 43
const PLAIN_ABOVE = 80

export type Lan = { tlsPort: number; plainPort: number; hosts: readonly string[] }

/** Where the shop is reached on its own network: this machine's addresses there, its name, and loopback. */
export function lanOf(port: number): Lan {
  const own = Object.values(networkInterfaces()).flatMap((all) => all ?? [])
  const addresses = own.filter((a) => a.family === 'IPv4' && !a.internal).map((a) => a.address)
  const machine = hostname().toLowerCase()
  return {
    tlsPort: port + TLS_ABOVE,
    plainPort: port + PLAIN_ABOVE,
    hosts: [...addresses, `${machine}.local`, '127.0.0.1', 'localhost'],
  }
}

/** The address to be typed into a phone. */
export const lanAddress = ({ hosts, tlsPort }: Lan): string => `https://${hosts[0]}:${tlsPort}`

/**
 * Starts the proxy that speaks TLS with certificates of an authority of the shop's own, kept in the state folder, and
 * offers the authority's certificate without TLS for installing.
 */
export async function startProxy(
  places: Places,
  lan: Lan,
  webPort: number,
  born: (child: ChildProcess) => void,
): Promise<ChildProcess> {
  const program = requireCaddy(places.root)
  const kept = join(places.state, 'tls')
  mkdirSync(kept, { recursive: true, mode: 0o700 })
  const config = join(kept, 'Caddyfile')
  writeWhole(config, configOf(kept, lan, webPort))
  const logFile = openLog(join(places.state, 'proxy.log'))
  const child = spawn(program, ['run', '--config', config, '--adapter', 'caddyfile'], {
    cwd: kept,
    detached: true,
    env: { ...process.env, HOME: kept, XDG_DATA_HOME: kept, XDG_CONFIG_HOME: kept },
    stdio: ['ignore', logFile, logFile],
  })
  born(child)
  await waitForProxy(lan, child, join(places.state, 'proxy.log'))
  return child
}

/** Where the certificate of the shop's own authority lies. */
export const authorityOf = (places: Places): string => join(places.state, 'tls/pki/authorities/local/root.crt')

const configOf = (kept: string, { tlsPort, plainPort, hosts }: Lan, webPort: number): string => `{
  admin off
  auto_https disable_redirects
  skip_install_trust
  http_port ${plainPort}
  https_port ${tlsPort}
  storage file_system ${kept}
}
${hosts.map((host) => `https://${host}:${tlsPort}`).join(', ')} {
  tls internal
  reverse_proxy 127.0.0.1:${webPort} {
    flush_interval -1
  }
}
http://:${plainPort} {
  @authority path /authority /ca.crt
  handle @authority {
    root * ${join(kept, 'pki/authorities/local')}
    rewrite * /root.crt
    header Content-Type application/x-x509-ca-cert
    header Content-Disposition "attachment; filename=yperos-authority.crt"
    file_server
  }
  handle {
    redir https://{host}:${tlsPort}{uri}
  }
}
`

async function waitForProxy({ tlsPort }: Lan, child: ChildProcess, logFile: string): Promise<void> {
  const until = Date.now() + 30_000
  while (Date.now() < until && child.exitCode === null) {
    if (await answers(tlsPort)) return
    await new Promise((done) => setTimeout(done, 100))
  }
  await stopChild(child, 0)
  throw new Stop(`the TLS proxy did not answer on port ${tlsPort}; see ${logFile}`)
}

/** Whether the proxy speaks TLS and the web server answers behind it; whose certificate it is does not matter here. */
const answers = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const asked = request(
      { host: '127.0.0.1', port, path: '/api/health', rejectUnauthorized: false, timeout: 2000 },
      (answer) => {
        answer.resume()
        resolve(answer.statusCode !== 502)
      },
    )
    asked.once('error', () => resolve(false))
    asked.once('timeout', () => asked.destroy())
    asked.end()
  })

/** Debian's caddy, unpacked beside the checkout's other tools: installing it would start a server nobody asked for. */
export function requireCaddy(root: string): string {
  const installed = '/usr/bin/caddy'
  if (existsSync(installed)) return installed
  const unpacked = join(root, '.yperos', 'tools', 'caddy')
  if (existsSync(unpacked)) return unpacked
  say('fetching a TLS proxy from Debian’s packages')
  const folder = mkdtempSync(join(tmpdir(), 'yperos-caddy-'))
  const run = (command: string) =>
    spawnSync('sh', ['-c', command], { cwd: folder, stdio: ['ignore', 'ignore', 'pipe'], encoding: 'utf8' })
  try {
    // a machine whose lists are empty knows no package yet
    const fetched = run('apt-get download caddy || (apt-get update && apt-get download caddy)')
    const archive = readdirSync(folder).find((name) => name.endsWith('.deb'))
    if (!archive)
      throw new Stop(
        `--lan needs Debian's package caddy, ` +
          (`which could not be fetched (${fetched.stderr.trim().split('\n').at(-1)}): install it with apt-get ` +
            `install caddy`),
      )
    run(`dpkg -x ${archive} out`)
    mkdirSync(dirname(unpacked), { recursive: true, mode: 0o755 })
    run(`cp out/usr/bin/caddy ${unpacked}.new`)
    renameSync(`${unpacked}.new`, unpacked)
    return unpacked
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
